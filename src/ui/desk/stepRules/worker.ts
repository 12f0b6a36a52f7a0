import {
  checkFit,
  fitFamilies,
  runTrial,
  type FitCheck,
  type Families,
  type LogFigures,
  type TrialFigures,
  type TrialOptions,
} from '@/core/simulation';

/** Requests to the simulation's worker: a trial for each of some rules, or families fitted to a log. Terminating the worker stops it. */
export type LabAsk =
  | { readonly kind: 'trials'; readonly wishes: readonly TrialOptions[] }
  | { readonly kind: 'fit'; readonly log: LogFigures; readonly options: Omit<TrialOptions, 'families' | 'children'> };

export type LabAnswer =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'trial'; readonly index: number; readonly figures: TrialFigures }
  | { readonly kind: 'fitted'; readonly families: Families; readonly checks: readonly FitCheck[] }
  | { readonly kind: 'done' };

interface Thread {
  postMessage(answer: LabAnswer): void;
  onmessage: ((event: { readonly data: LabAsk }) => void) | null;
}
const thread = self as unknown as Thread;

thread.onmessage = ({ data }) => {
  if (data.kind === 'fit') {
    const families = fitFamilies(data.log, data.options, (share) => thread.postMessage({ kind: 'progress', share: share * 0.7 }));
    thread.postMessage({ kind: 'fitted', families, checks: checkFit(data.log, families, data.options) });
  } else
    for (const [index, options] of data.wishes.entries()) {
      const figures = runTrial(options, (done) => {
        thread.postMessage({ kind: 'progress', share: (index + done / options.children) / data.wishes.length });
        return true;
      });
      thread.postMessage({ kind: 'trial', index, figures });
    }
  thread.postMessage({ kind: 'done' });
};
