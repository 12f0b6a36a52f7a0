import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** Where the proxy asks the web processes from. */
export const PROXY = '127.0.0.2';

/**
 * Debian's nginx on loopback with the example of deploy/, its names, certificate and ports put in, and nothing else of it changed.
 * @param folder where it keeps what it needs
 */
export function startNginx(folder: string, port: number, upstream: number): ChildProcess {
  mkdirSync(path.join(folder, 'tmp'), { recursive: true });
  const [certificate, key] = [path.join(folder, 'cert.pem'), path.join(folder, 'key.pem')];
  const subject = ['-subj', '/CN=127.0.0.1', '-addext', 'subjectAltName=IP:127.0.0.1'];
  execFileSync(
    'openssl',
    ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', ...subject, '-keyout', key, '-out', certificate],
    { stdio: 'pipe' },
  );
  const example = readFileSync('deploy/nginx.conf', 'utf8')
    .replace('127.0.0.1:3000', `127.0.0.1:${upstream}`)
    .replace('listen 443', `listen 127.0.0.1:${port}`)
    // The browser is on this machine, too: the proxy is told from it by the address that it asks from.
    .replace('proxy_pass', `proxy_bind ${PROXY};\n    proxy_pass`)
    .replace(/server_name \S+;/, 'server_name 127.0.0.1;')
    .replace(/ssl_certificate \S+;/, `ssl_certificate ${certificate};`)
    .replace(/ssl_certificate_key \S+;/, `ssl_certificate_key ${key};`);
  const temporary = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']
    .map((kind) => `${kind}_temp_path ${folder}/tmp/${kind};`)
    .join('\n');
  const whole = `daemon off; pid ${folder}/nginx.pid; error_log ${folder}/error.log; events {}\nhttp {\n${temporary}\n${example}\n}\n`;
  writeFileSync(path.join(folder, 'nginx.conf'), whole);
  return spawn('/usr/sbin/nginx', ['-e', `${folder}/error.log`, '-p', folder, '-c', path.join(folder, 'nginx.conf')], { stdio: 'inherit' });
}
