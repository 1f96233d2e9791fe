import { largest, least } from '@green-thicket/core/base/extent';
import type { ChartConfiguration } from 'chart.js';
import { useMemo, type ReactNode } from 'react';
import { useColours } from '../../pieces/ground.ts';
import { useChart } from '../../pieces/chart.ts';
import { useStudy } from '../../pieces/study-context.ts';

const BINS = 40;

/** How many pairs have which strength; bars beyond the cut-off are moss. A click on the chart sets the cut-off there. */
export function StrengthChart({
  strengths,
  cutOff,
  measure,
  children,
}: {
  strengths: readonly number[];
  cutOff: number;
  measure: string;
  /** What stands under it. */
  children: ReactNode;
}) {
  const { decide } = useStudy();
  const { colours } = useColours();
  const config = useMemo((): ChartConfiguration => {
    const low = least(strengths, cutOff);
    const high = largest(strengths, cutOff);
    const width = (high - low) / BINS || 1;
    const counts = new Array<number>(BINS).fill(0);
    for (const strength of strengths) counts[Math.min(BINS - 1, Math.floor((strength - low) / width))]++;
    const middles = counts.map((_, i) => low + (i + 0.5) * width);
    return {
      type: 'bar',
      data: {
        labels: middles.map((middle) => middle.toFixed(2).replace('-0.00', '0.00')),
        datasets: [
          {
            data: counts,
            backgroundColor: middles.map((middle) => (middle > cutOff ? colours.moss : colours.barChart)),
            barPercentage: 1,
            categoryPercentage: 0.92,
          },
        ],
      },
      options: {
        onClick: (event, _elements, chart) => {
          const index = chart.scales.x.getValueForPixel(event.x ?? 0);
          if (index !== undefined && middles[index] !== undefined) {
            decide({ kind: 'setLinks', change: { cutOff: Number((middles[index] - width / 2).toFixed(2)) } });
          }
        },
        scales: {
          x: {
            title: { display: true, text: `${measure} of pairs that share enough windows` },
            grid: { display: false },
            ticks: { maxRotation: 0, autoSkip: true, maxTicksLimit: 9, sampleSize: 4 },
          },
          y: { title: { display: true, text: 'pairs' }, ticks: { precision: 0 } },
        },
        plugins: { tooltip: { displayColors: false } },
      },
    };
  }, [strengths, cutOff, measure, decide, colours]);
  const canvas = useChart(config);
  if (strengths.length === 0) return null;
  const above = strengths.filter((strength) => strength > cutOff).length;
  return (
    <figure className="chart-figure">
      <div className="chart-box">
        <canvas
          ref={canvas}
          role="img"
          aria-label={`Distribution of ${measure}: ${above} of ${strengths.length} pairs are above the cut-off ${cutOff}.`}
        />
      </div>
      {children}
    </figure>
  );
}
