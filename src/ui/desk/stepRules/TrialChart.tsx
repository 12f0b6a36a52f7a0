import { init, use as register } from 'echarts/core';
import { CustomChart, ScatterChart, type CustomSeriesOption } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { SVGRenderer } from 'echarts/renderers';
import type { TrialFigures } from '@/core/simulation';

register([ScatterChart, CustomChart, GridComponent, SVGRenderer]);

const [INK, SOFT, GREEN] = ['#1f2a27', '#54605c', '#205c50'];
const ROW = 30;
const FONT = { fontFamily: 'inherit', fontSize: 13, color: SOFT };

interface Row {
  readonly name: string;
  readonly figures: TrialFigures;
}

/** Weeks to the top step under each rule: the middle as a mark, the middle half as a line. */
export function TrialChart({ rows }: { rows: readonly Row[] }) {
  const told = rows.filter(({ figures }) => figures.weeksToTop).toReversed();
  if (told.length === 0) return null;
  const chart = init(null, null, { renderer: 'svg', ssr: true, width: 620, height: 60 + ROW * told.length });
  chart.setOption({
    animation: false,
    grid: { left: 190, right: 20, top: 8, bottom: 40 },
    xAxis: {
      type: 'value',
      name: 'weeks to the top step',
      nameLocation: 'middle',
      nameGap: 26,
      nameTextStyle: FONT,
      axisLabel: FONT,
      min: 0,
    },
    yAxis: { type: 'category', data: told.map(({ name }) => name), axisLabel: { ...FONT, color: INK }, axisTick: { show: false } },
    series: [
      {
        type: 'custom',
        silent: true,
        data: told.map(({ figures }, index) => [figures.weeksToTop!.low, figures.weeksToTop!.high, index]),
        encode: { x: [0, 1], y: 2 },
        renderItem: ((_params, api) => {
          const [fromX, y] = api.coord([api.value(0), api.value(2)]);
          const [toX] = api.coord([api.value(1), api.value(2)]);
          return { type: 'line', shape: { x1: fromX!, y1: y!, x2: toX!, y2: y! }, style: { stroke: GREEN, lineWidth: 5 } };
        }) satisfies CustomSeriesOption['renderItem'],
      },
      {
        type: 'scatter',
        silent: true,
        symbol: 'diamond',
        symbolSize: 14,
        itemStyle: { color: INK },
        data: told.map(({ figures }, index) => [figures.weeksToTop!.median, index]),
      },
    ],
  });
  // Its own style sheet is for the pointer alone, and an inline one is not let in.
  const drawing = chart.renderToSVGString().replace(/<style[\s\S]*?<\/style>/g, '');
  chart.dispose();
  const says = told.map(({ name, figures }) => `${name}: ${figures.weeksToTop!.median.toFixed(0)} weeks`).join('; ');
  return (
    <div
      role="img"
      aria-label={`Median weeks to the top step. ${says}`}
      className="max-w-full overflow-x-auto"
      dangerouslySetInnerHTML={{ __html: drawing }}
    />
  );
}
