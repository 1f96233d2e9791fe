import { NAME_KINDS, type NameKind } from '@green-thicket/core/concepts/name-clues';
import { NAME_KIND_TEXTS, nameClueText } from '@green-thicket/core/words/name-clues';
import type { NameKindRow } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { Select } from '../../pieces/Select.tsx';

/** What a name is of, put right for the study. */
export function NameKindSelect({ row: { name, kind } }: { row: NameKindRow }) {
  const { state, decide } = useStudy();
  return (
    <Select<NameKind | 'found'>
      size="small"
      variant="borderless"
      aria-label={`What ${name} is`}
      value={kind}
      popupMatchSelectWidth={false}
      options={[
        ...NAME_KINDS.map((value) => ({ value, label: NAME_KIND_TEXTS[value].one })),
        ...(Object.hasOwn(state.nameKinds, name)
          ? [{ value: 'found' as const, label: 'as it was found' }]
          : []),
      ]}
      onChange={(as) => decide({ kind: 'setNameKind', names: [name], as: as === 'found' ? null : as })}
    />
  );
}

/** On the card of a concept that is a name: what it is of, with why on pointing at it. */
export function NameKindChoice({ name }: { name: string }) {
  const { data } = useView('nameKinds', null);
  const row = data?.rows.find((each) => each.name === name);
  if (!row) return null;
  return (
    <span title={`Taken for it because ${nameClueText(row)}`}>
      name of <NameKindSelect row={row} />
    </span>
  );
}
