import { Dropdown, Segmented } from 'antd';
import {
  SEVERAL_HOWS,
  type PassageOrder,
  type Selection,
  type SeveralHow,
} from '@green-thicket/core/views/view-types';
import { useAsk } from '../engine/use-ask.ts';
import { useView } from '../engine/use-view.ts';
import { GroupsChoice } from '../pieces/GroupChoice.tsx';
import { useSelection } from '../pieces/selection.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useRenamer } from '../pieces/use-renamer.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { download, fileName } from '../pieces/download.ts';
import { Select } from '../pieces/Select.tsx';
import styles from './PassageChoices.module.css';

const HOW_TEXTS: Readonly<Record<SeveralHow, { label: string; title: string }>> = {
  all: { label: 'All', title: 'Windows with all of them' },
  any: { label: 'Any', title: 'Windows with at least one of them' },
  near: { label: 'Near', title: 'Places where all stand with at most ten other words between' },
};

/** The concepts of a selection that more can be asked for with. */
function conceptsOf(selection: Selection): readonly string[] | undefined {
  if (selection.kind === 'concept') return [selection.key];
  return selection.kind === 'link' || selection.kind === 'several' ? selection.keys : undefined;
}

/** More concepts to ask for, the group of sources, the order, and files of the passages. */
export function PassageChoices({
  selection,
  order,
  onOrder,
  title,
  empty,
}: {
  selection: Selection;
  order: PassageOrder;
  onOrder: (order: PassageOrder) => void;
  title: string;
  empty: boolean;
}) {
  const { state } = useStudy();
  const { select, within } = useSelection();
  const ask = useAsk();
  const tellFault = useTellFault();
  const { renameAnyCase } = useRenamer();
  const themes = useView('themes', null).data;
  const keys = conceptsOf(selection);
  const how = selection.kind === 'several' ? selection.how : 'all';
  const choose = (next: readonly string[], nextHow: SeveralHow): void => {
    if (next.length === 0) return;
    select(
      next.length === 1 ? { kind: 'concept', key: next[0] } : { kind: 'several', keys: next, how: nextHow },
      within,
    );
  };
  const save = (as: 'csv' | 'docx'): void =>
    tellFault('Nothing was saved', async () => {
      const question = { selection, order, as, ...(within ? { within } : {}) };
      const { bytes } = await ask('passagesFile', question);
      const type =
        as === 'csv' ? 'text/csv' : 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';
      download(fileName(renameAnyCase(`${state.title} ${title}`), `.${as}`), bytes, type);
    });
  const all = [...(themes?.themes.flatMap((theme) => theme.concepts) ?? []), ...(themes?.loose ?? [])];
  const only =
    within && 'sourceId' in within ? state.sources.find(({ id }) => id === within.sourceId) : undefined;
  return (
    <div className={styles.passageChoices}>
      {keys && (
        <Select
          mode="multiple"
          size="small"
          className="wide"
          aria-label="Concepts asked for"
          title="Add concepts to read passages with several"
          value={[...keys]}
          options={all.map(({ key, label }) => ({ value: key, label }))}
          optionFilterProp="label"
          onChange={(next: string[]) => choose(next, how)}
        />
      )}
      {keys && keys.length > 1 && (
        <Segmented
          size="small"
          aria-label="All, any or near"
          value={how}
          options={SEVERAL_HOWS.map((each) => ({ value: each, ...HOW_TEXTS[each] }))}
          onChange={(next) => choose(keys, next)}
        />
      )}
      <div className="control-row">
        {only ? (
          <span className="quiet">
            only in {only.name}{' '}
            <button type="button" className="linklike" onClick={() => select(selection)}>
              all sources
            </button>
          </span>
        ) : (
          <GroupsChoice
            groups={within && 'groups' in within ? within.groups : []}
            label="Only passages of"
            placeholder="All sources"
            title="Only the passages of some groups of sources. Of one attribute any will do; of several each must fit."
            onChoose={(groups) => select(selection, groups.length > 0 ? { groups } : undefined)}
          />
        )}
        <Select
          size="small"
          aria-label="Order of the passages"
          value={order}
          options={[
            { value: 'text', label: 'by source' },
            { value: 'marks', label: 'most marks first' },
          ]}
          popupMatchSelectWidth={false}
          onChange={onOrder}
        />
        {!empty && (
          <Dropdown
            trigger={['click']}
            menu={{
              'aria-label': 'Save the passages',
              items: [
                { key: 'csv', label: 'Table (.csv)' },
                { key: 'docx', label: 'Document (.docx)' },
              ],
              onClick: ({ key }) => save(key === 'csv' ? 'csv' : 'docx'),
            }}
          >
            <button type="button" className="linklike">
              Save
            </button>
          </Dropdown>
        )}
      </div>
    </div>
  );
}
