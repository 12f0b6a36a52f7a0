import type { ReportPart } from '@/core/progress';

/** A report's paragraph: what is one's own is lined. */
export function ReportParts({ parts }: { readonly parts: readonly ReportPart[] }) {
  return parts.map(({ text, isOwn }, index) => (
    <span key={index}>
      {index > 0 && ' '}
      {isOwn ? (
        <span data-own-words className="border-l-[3px] border-slate pl-1.5 text-slate">
          {text}
        </span>
      ) : (
        text
      )}
    </span>
  ));
}
