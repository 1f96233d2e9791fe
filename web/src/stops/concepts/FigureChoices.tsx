import { FIGURES, type FigureName } from '@green-thicket/core/words/figure-sentences';
import { FIGURE_FACES } from './figures.ts';
import { Select } from '../../pieces/Select.tsx';

/** Which figure an axis of the field follows. */
export function AxisChoice({
  label,
  value,
  onChange,
}: {
  label: string;
  value: FigureName;
  onChange: (figure: FigureName) => void;
}) {
  return (
    <Select
      size="small"
      aria-label={label}
      value={value}
      popupMatchSelectWidth={false}
      options={FIGURES.map((figure) => ({
        value: figure,
        label: `${label}: ${FIGURE_FACES[figure].title.toLowerCase()}`,
        title: FIGURE_FACES[figure].hint,
      }))}
      onChange={onChange}
    />
  );
}
