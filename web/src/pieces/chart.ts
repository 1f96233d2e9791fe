import type { Chart, ChartConfiguration } from 'chart.js';
import { useEffect, useRef } from 'react';
import { useColours } from './ground.ts';
import { afterPaint } from './after-paint.ts';
import { useTellFault } from './use-fault.ts';

/**
 * Draws a chart on the canvas whose ref it returns, and again whenever the configuration changes.
 *
 * The library comes with the first chart. The chart is set up in one step and filled in the next, each of which takes about as long as a page may be held.
 */
export function useChart(config: ChartConfiguration): React.RefObject<HTMLCanvasElement | null> {
  const canvas = useRef<HTMLCanvasElement>(null);
  const drawn = useRef<Chart>(null);
  const tellFault = useTellFault();
  const { colours } = useColours();
  useEffect(
    () => () => {
      drawn.current?.destroy();
      drawn.current = null;
    },
    [],
  );
  useEffect(() => {
    const fill = (): void => {
      const chart = drawn.current;
      if (!chart) return;
      chart.data = config.data;
      chart.options = config.options ?? {};
      chart.update();
    };
    let isGone = false;
    let callOff = (): void => undefined;
    import('./chart-library.ts').then(
      ({ Chart: Drawn }) => {
        if (isGone) return;
        Drawn.defaults.color = colours.quiet;
        Drawn.defaults.borderColor = colours.rule;
        callOff = afterPaint(() => {
          const sheet = canvas.current;
          if (!sheet) return;
          if (drawn.current?.canvas === sheet) {
            fill();
            return;
          }
          drawn.current?.destroy();
          drawn.current = new Drawn(sheet, { type: config.type, data: { datasets: [] } });
          callOff = afterPaint(fill);
        });
      },
      (error: unknown) => tellFault('The chart can’t be drawn', () => Promise.reject(error as Error)),
    );
    return () => {
      isGone = true;
      callOff();
    };
  }, [colours, config, tellFault]);
  return canvas;
}
