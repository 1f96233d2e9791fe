import { HANGS_ON, type HangsOn } from '@green-thicket/core/study/notebook';
import { useView } from '../engine/use-view.ts';
import { Select } from '../pieces/Select.tsx';
import { useStudy } from '../pieces/study-context.ts';

/** What an entry hangs on: a theme, a concept or a source. */
export function About({
  on,
  onChange,
}: {
  on: HangsOn | undefined;
  onChange: (on: HangsOn | undefined) => void;
}) {
  const { state } = useStudy();
  const themes = useView('themes', null).data;
  const concepts = [...(themes?.themes.flatMap((theme) => theme.concepts) ?? []), ...(themes?.loose ?? [])];
  const all: Record<HangsOn['kind'], readonly HangsOn[]> = {
    theme: (themes?.themes ?? []).map(({ letter, label }) => ({
      kind: 'theme',
      key: letter,
      name: `${letter} ${label}`,
    })),
    concept: concepts.map(({ key, label }) => ({ kind: 'concept', key, name: label })),
    source: state.sources.map(({ id, name }) => ({ kind: 'source', key: id, name })),
  };
  const valueOf = ({ kind, key }: HangsOn): string => `${kind}:${key}`;
  const options = HANGS_ON.map((kind) => {
    const own = all[kind];
    // What it hangs on may be gone since; it keeps its name.
    const listed = on?.kind === kind && !own.some(({ key }) => key === on.key) ? [on, ...own] : own;
    return {
      label: `${kind}s`,
      options: listed.map((each) => ({ value: valueOf(each), label: each.name })),
    };
  });
  return (
    <Select
      size="small"
      className="short"
      aria-label="About"
      placeholder="About"
      title="The theme, concept or source it is about; it stands there in the Reader too"
      allowClear
      showSearch={{ optionFilterProp: 'label' }}
      popupMatchSelectWidth={false}
      value={on && valueOf(on)}
      options={options}
      onChange={(value: string | undefined) =>
        onChange(HANGS_ON.flatMap((kind) => [...all[kind]]).find((each) => valueOf(each) === value))
      }
    />
  );
}
