import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  Tooltip,
  type ChartConfiguration,
} from 'chart.js';
import { useEffect, useRef } from 'react';
import { afterPaint } from '../shell/after-paint.ts';
import { QUIET, SANS } from '../theme.ts';

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  Tooltip,
);
Chart.defaults.font.family = SANS;
Chart.defaults.font.size = 12;
Chart.defaults.color = QUIET;
Chart.defaults.animation = false;
Chart.defaults.maintainAspectRatio = false;

/**
 * Draws a chart on the canvas whose ref it returns, and again whenever the configuration changes.
 *
 * The chart is set up in one step and filled in the next, each of which takes about as long as a page may be held.
 */
export function useChart(config: ChartConfiguration): React.RefObject<HTMLCanvasElement | null> {
  const canvas = useRef<HTMLCanvasElement>(null);
  const drawn = useRef<Chart>(null);
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
    let callOff = afterPaint(() => {
      const sheet = canvas.current;
      if (!sheet) return;
      if (drawn.current?.canvas === sheet) {
        fill();
        return;
      }
      drawn.current?.destroy();
      drawn.current = new Chart(sheet, { type: config.type, data: { datasets: [] } });
      callOff = afterPaint(fill);
    });
    return () => callOff();
  }, [config]);
  return canvas;
}
