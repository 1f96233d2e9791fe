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
} from 'chart.js';
import { FONTS } from '../theme.ts';

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
Chart.defaults.font.family = FONTS.sans;
Chart.defaults.font.size = 12;
Chart.defaults.animation = false;
Chart.defaults.maintainAspectRatio = false;

export { Chart };
