import { calendarDayInZone } from '@/core/calendar';
import type { SystemPart, SystemState } from '@/server/health/systemState';
import { longDay } from '../../shared/days';

const UTC = 'UTC';

/** Shows a supervisor what to ask IT to check, above every screen. Nothing while all parts run. */
export function SystemStrip({ state, failing }: { state: SystemState; failing: readonly SystemPart[] }) {
  if (failing.length === 0) return null;
  return (
    <div role="status" className="border-b border-brick bg-sheet px-[22px] py-1 print:hidden" data-system={failing.join(' ')}>
      {failing.map((part) => (
        <p key={part}>
          <strong className="text-brick">{TITLES[part]}</strong> {SENTENCES[part](state)}
        </p>
      ))}
    </div>
  );
}

const TITLES: Record<SystemPart, string> = {
  disk: 'The server’s disk is almost full.',
  worker: 'Messages and backups have stopped.',
  queue: 'Messages are delayed.',
  backup: 'The last daily backup failed.',
};

const SENTENCES: Record<SystemPart, (state: SystemState) => string> = {
  disk: ({ disk }) =>
    `${(disk.freeBytes / 1e9).toFixed(1)} GB are free. Home reports may soon be refused. Ask your IT staff to free space.`,
  worker: () => 'The background worker is not running. Ask your IT staff to restart Yard Steps.',
  queue: ({ queue }) =>
    `The oldest has waited ${Math.round(queue.oldestSeconds / 60)} minutes. Ask your IT staff to check the text and email services.`,
  backup: ({ backup }) =>
    `${backup.lastAt === null ? 'There is no complete backup yet.' : `The last complete backup is from ${longDay(calendarDayInZone(backup.lastAt, UTC))}.`} Ask your IT staff to check the backup folder.`,
};
