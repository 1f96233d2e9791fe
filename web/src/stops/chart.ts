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

/** Draws a chart on the canvas whose ref it returns, anew whenever the configuration changes. */
export function useChart(config: ChartConfiguration): React.RefObject<HTMLCanvasElement | null> {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (!canvas.current) return undefined;
    const chart = new Chart(canvas.current, config);
    return () => chart.destroy();
  }, [config]);
  return canvas;
}
