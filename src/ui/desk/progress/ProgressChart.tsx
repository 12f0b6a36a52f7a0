import { init, use as register } from 'echarts/core';
import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components';
import { SVGRenderer } from 'echarts/renderers';
import type { GoalInFull } from '@/server/progress/goalInFull';
import type { ProgressView } from '@/server/progress/viewProgress';
import { chartOption } from './chart';

register([LineChart, ScatterChart, GridComponent, MarkAreaComponent, MarkLineComponent, SVGRenderer]);

const SIZE = { width: 816, height: 330 };

interface Props {
  readonly here: GoalInFull;
  readonly today: ProgressView['today'];
  readonly breaks: ProgressView['breaks'];
  /** Description of the drawing, for people who cannot see it; the figures are in a table beside it. */
  readonly says: string;
}

/** Drawn on the server: a drawing that nobody moves needs no script. */
export function ProgressChart({ here, today, breaks, says }: Props) {
  const option = chartOption(here, today, breaks);
  if (!option) return null;
  const chart = init(null, null, { renderer: 'svg', ssr: true, ...SIZE });
  chart.setOption(option);
  // Its own style sheet is for the pointer alone, and an inline one is not let in.
  const drawing = chart.renderToSVGString().replace(/<style[\s\S]*?<\/style>/g, '');
  chart.dispose();
  return (
    <div role="img" aria-label={says} className="progress-chart max-w-full overflow-x-auto" dangerouslySetInnerHTML={{ __html: drawing }} />
  );
}
