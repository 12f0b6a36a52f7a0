import type { TeacherView } from '@/server/students/teacherLinks';

interface Props {
  readonly view: TeacherView;
  readonly token: string;
  readonly said: 'passed' | 'danger' | 'empty' | null;
}

/** A teacher's page: prints, and passes a question on. How it goes at home stands nowhere on it. */
export function TeacherPage({ view: { calledName, emergencyNumber }, token, said }: Props) {
  return (
    <main className="mx-auto max-w-[30rem] px-[1.06rem] pt-6 pb-10">
      <h1 className="text-[1.6rem] leading-tight">Home practice of {calledName}</h1>
      {said === 'passed' && (
        <p role="status" className="mt-3 rounded-[6px] bg-green-tint px-3 py-2 font-bold">
          Sent. Messages are read on school days only. For anything urgent, follow your school’s procedures.
        </p>
      )}
      {said === 'danger' && (
        <p role="alert" className="watch mt-3 font-bold">
          Sent. Home practice is on hold until the therapist reviews it. If a child is hurt or sick, follow your school’s procedures. In an
          emergency, call {emergencyNumber}. No one monitors this page around the clock.
        </p>
      )}
      {said === 'empty' && (
        <p role="alert" className="watch mt-3">
          Write a few words first, 600 letters at most.
        </p>
      )}
      <p className="mt-4">
        <a className="press" href={`/t/${token}/paper`}>
          Print what the family does (PDF)
        </a>
      </p>
      <form method="post" action={`/t/${token}/ask`} className="mt-6">
        <label className="block font-bold" htmlFor="question">
          A question or comment for the therapist
        </label>
        <textarea id="question" name="question" rows={4} maxLength={600} className="box mt-1" required />
        <label className="mt-3 block">
          Who writes? (optional)
          <input name="who" maxLength={40} className="box" />
        </label>
        <button className="press press-main mt-4">Pass it on</button>
      </form>
      <p className="mt-8 text-[0.85rem] text-soft">
        This page shows nothing of how practice goes at home. The rules of your school come first. If a child is hurt or sick, do not wait
        for us.
      </p>
    </main>
  );
}
