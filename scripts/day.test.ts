import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { refuseWhileServing } from './commands/database';
import { clockShift, dayFrom, shiftTo } from './day';

describe('a day that is lived on purpose', () => {
  const now = Date.parse('2026-11-26T01:00:00Z');

  it('begins at ten in the morning in the family’s zone where no time is given, at its minute where one is', () => {
    expect(now + shiftTo('2028-02-29', now)).toBe(Date.parse('2028-02-29T17:00:00Z'));
    expect(now + shiftTo('2026-07-01T23:59', now)).toBe(Date.parse('2026-07-02T05:59:00Z'));
    expect(now + shiftTo('2026-12-31T23:59', now)).toBe(Date.parse('2027-01-01T06:59:00Z'));
  });

  it('is read from the words of the command, and refused where it is none', () => {
    expect([dayFrom(['e2e', '--day', '2028-02-29']), dayFrom(['e2e'])]).toEqual(['2028-02-29', null]);
    for (const bad of [['--day'], ['--day', '2027-02-29'], ['--day', 'today']]) expect(() => dayFrom(bad)).toThrow(/--day/);
  });

  it('is none where nobody asked for one', () => {
    const before = process.env.YARD_CLOCK_SHIFT;
    delete process.env.YARD_CLOCK_SHIFT;
    expect(clockShift()).toBe(0);
    if (before !== undefined) process.env.YARD_CLOCK_SHIFT = before;
  });
});

describe('moving the schema', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'yard-pid-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  const pidFile = path.join(folder, 'yard.pid');

  it('is refused while a program is served from it, and only then', () => {
    expect(() => refuseWhileServing(pidFile)).not.toThrow();
    writeFileSync(pidFile, String(process.pid));
    expect(() => refuseWhileServing(pidFile)).toThrow(`process ${process.pid}`);
    const { pid } = spawnSync(process.execPath, ['-e', '']);
    writeFileSync(pidFile, String(pid));
    expect(() => refuseWhileServing(pidFile)).not.toThrow();
  });
});
