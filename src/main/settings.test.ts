import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { settingsFrom } from './settings';

const folder = mkdtempSync(path.join(tmpdir(), 'yard-settings-'));
afterAll(() => rmSync(folder, { recursive: true }));

function fileWith(text: string): string {
  const file = path.join(folder, 'yard.config.json');
  writeFileSync(file, text);
  return file;
}

describe('the settings that the product is served with', () => {
  it('have a sound default each', () => {
    expect(settingsFrom(fileWith('{}'), {})).toEqual({
      listen: { host: '127.0.0.1', port: 3000 },
      publicAddress: null,
      database: null,
      dataFolder: path.resolve('.data/serve'),
      trustProxy: [],
      metrics: null,
      processes: 1,
      texts: null,
      mail: null,
      timeZone: null,
      languages: null,
      databaseOwner: null,
      secondFactor: 'free',
      allowedHosts: [],
      backup: null,
    });
  });

  it('are those of the file, and the environment wins', () => {
    const file = fileWith(
      '{ "listen": { "host": "0.0.0.0" }, "publicAddress": "https://yard.tarrowhill.example/", "trustProxy": ["10.0.0.2"], "languages": ["es"], "secondFactor": "everybody", "allowedHosts": ["yard.local"], "texts": { "address": "https://texts.example/send", "keyFile": "/nowhere" }, "backup": { "folder": "/b" } }',
    );
    const settings = settingsFrom(file, {
      YARD_LISTEN_PORT: '8080',
      YARD_DATA_FOLDER: '/srv/yard',
      YARD_DATABASE_URL: '',
      YARD_PROCESSES: '2',
      YARD_TEXTS_KEY_FILE: '/etc/yard/key',
      YARD_MAIL_SERVER: 'smtps://mail.tarrowhill.example',
      YARD_MAIL_FROM: 'yard@tarrowhill.example',
      YARD_TIME_ZONE: 'America/Denver',
    });
    expect(settings).toEqual({
      listen: { host: '0.0.0.0', port: 8080 },
      publicAddress: 'https://yard.tarrowhill.example',
      database: null,
      dataFolder: '/srv/yard',
      trustProxy: ['10.0.0.2'],
      metrics: null,
      processes: 2,
      texts: { address: 'https://texts.example/send', keyFile: '/etc/yard/key', incomingKeyFile: null },
      mail: { server: 'smtps://mail.tarrowhill.example', from: 'yard@tarrowhill.example' },
      timeZone: 'America/Denver',
      languages: ['es'],
      databaseOwner: null,
      secondFactor: 'everybody',
      allowedHosts: ['yard.local'],
      backup: { folder: '/b', keep: 14, passphraseFile: null },
    });
  });

  it.each([
    ['no JSON', '{', /is not JSON/],
    ['a list', '[]', /holds no settings/],
    ['a setting that is none', '{ "colour": "green" }', /colour/],
    ['a port that is none', '{ "listen": { "port": 70000 } }', /listen\.port/],
    ['an address with a path', '{ "publicAddress": "https://school.example/yard" }', /publicAddress: an address without a path/],
    ['an address of another kind', '{ "publicAddress": "javascript:alert(1)" }', /publicAddress/],
    ['a proxy that is no address', '{ "trustProxy": ["proxy.school.example"] }', /trustProxy\.0/],
    ['a text service without its key', '{ "texts": { "address": "https://texts.example" } }', /texts\.keyFile/],
    ['mail by another way', '{ "mail": { "server": "https://mail.example", "from": "yard@school.example" } }', /mail\.server/],
    ['a time zone that is none', '{ "timeZone": "Tarrow Hill" }', /timeZone: a zone such as/],
    ['a language that nobody wrote', '{ "languages": ["xx"] }', /languages\.0/],
    ['no process at all', '{ "processes": 0 }', /processes/],
    ['another database', '{ "database": "postgres://x" }', /database: an address such as mariadb/],
  ])('refuse %s, by its name', (_, text, words) => {
    expect(() => settingsFrom(fileWith(text), {})).toThrow(words);
  });

  it('say which variable of the environment is wrong, and which file is not there', () => {
    expect(() => settingsFrom(fileWith('{}'), { YARD_LISTEN_PORT: 'eighty' })).toThrow(/listen\.port: .*\(reported by YARD_LISTEN_PORT\)/);
    expect(() => settingsFrom(path.join(folder, 'nowhere.json'), {})).toThrow(/There is no .*nowhere\.json/);
  });
});
