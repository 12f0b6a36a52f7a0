import { spawnSync } from 'node:child_process';
import { say } from '../say';

/** The list of all that the program is made of, as CycloneDX writes it. `sbom FILE` */
export async function sbom([file]: readonly string[]): Promise<number> {
  if (!file) throw new Error('Name the file to write: ./yard sbom FILE.json');
  const words = ['--omit', 'dev', '--package-lock-only', '--output-reproducible', '--output-format', 'JSON', '--output-file', file];
  const made = spawnSync(process.execPath, ['node_modules/@cyclonedx/cyclonedx-npm/bin/cyclonedx-npm-cli.js', ...words], {
    encoding: 'utf8',
  });
  if (made.status !== 0) throw new Error(`The list could not be made:\n${made.stderr}`);
  say(`${file} lists all packages that the program runs with, with their versions and licences.`);
  return 0;
}
