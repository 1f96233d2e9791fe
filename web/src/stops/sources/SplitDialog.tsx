import { Checkbox, Input, Modal, Radio, Select } from 'antd';
import { useState } from 'react';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import type { StudySource } from '@green-thicket/core/study/study';
import type { SplitRule } from '@green-thicket/core/text/splitting';
import { useAsk } from '../../engine/use-ask.ts';
import { useView } from '../../engine/use-view.ts';
import { NumberBox } from '../../controls/control-inputs.tsx';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { useReturnFocus } from '../../pieces/use-return-focus.ts';
import styles from './SplitDialog.module.css';
import shared from './sources.module.css';

const RULES: readonly { readonly value: SplitRule['kind']; readonly label: string }[] = [
  { value: 'headings', label: 'at headings' },
  { value: 'lineStart', label: 'at lines that begin with a word' },
  { value: 'pattern', label: 'at lines that match a pattern' },
  { value: 'separator', label: 'at a separator line' },
  { value: 'blankLines', label: 'at blank lines' },
  { value: 'words', label: 'every so many words' },
];

/** Splits documents into sections, which are listed with their first words and lengths before it is done. */
export function SplitDialog({ sources, onClose }: { sources: readonly StudySource[]; onClose: () => void }) {
  useReturnFocus();
  const { decide } = useStudy();
  const ask = useAsk();
  const tellFault = useTellFault();
  // The longest document is the one most likely meant.
  const longest = sources.reduce((most, each) => (each.length > most.length ? each : most), sources[0]);
  const [ids, setIds] = useState<readonly string[]>([longest.id]);
  const [rule, setRule] = useState<SplitRule>({ kind: 'headings', keepBefore: true });
  const [noteWhole, setNoteWhole] = useState(true);
  const [busy, setBusy] = useState(false);
  const shownId = ids[0] ?? longest.id;
  const { data, isPlaceholderData } = useView('split', { sourceId: shownId, rule });
  const apply = (): void =>
    tellFault('Nothing was split', async () => {
      setBusy(true);
      try {
        const { parts } = await ask('splitParts', {
          sourceIds: ids,
          rule,
          attribute: noteWhole ? 'document' : '',
        });
        if (Object.keys(parts).length > 0) decide({ kind: 'splitSources', parts });
        onClose();
      } finally {
        setBusy(false);
      }
    });
  const total = data && !isPlaceholderData ? data.total : undefined;
  return (
    <Modal
      open
      width={760}
      title="Split into sections"
      okText={
        ids.length > 1
          ? `Split ${counted(ids.length, 'source')}`
          : total
            ? `Make ${counted(total, 'part')}`
            : 'Split'
      }
      okButtonProps={{
        disabled: ids.length === 0 || (ids.length === 1 && (total ?? 0) < 2 && data?.droppedBefore === 0),
        loading: busy,
      }}
      onOk={apply}
      onCancel={onClose}
      styles={{ body: { maxHeight: '66vh', overflowY: 'auto' } }}
    >
      <div className="stack">
        <label className="control-row">
          Split
          <Select
            mode="multiple"
            className="wide"
            maxTagCount={3}
            showSearch={{ optionFilterProp: 'label' }}
            aria-label="Sources to split"
            value={[...ids]}
            options={sources.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(next: string[]) => setIds(next)}
          />
        </label>
        <Radio.Group
          aria-label="Where to split"
          value={rule.kind}
          options={[...RULES]}
          onChange={(event) => setRule(usualRule(event.target.value as SplitRule['kind']))}
        />
        <RuleSettings key={rule.kind} rule={rule} onChange={setRule} />
        <Checkbox checked={noteWhole} onChange={(event) => setNoteWhole(event.target.checked)}>
          note the whole document’s name in the attribute <em>document</em>
        </Checkbox>
        {data?.fault !== undefined ? (
          <p className="control-fault" role="alert">
            {data.fault}
          </p>
        ) : (
          data && (
            <div className={isPlaceholderData ? 'dimmed' : undefined}>
              <p role="status" className={styles.splitCount}>
                <strong>{counted(data.total, 'part')}</strong>
                {data.total === 1 && ': nothing to split at was found'}
                {data.droppedBefore > 0 &&
                  `; ${inFigures(data.droppedBefore)} characters before the first are dropped`}
              </p>
              <table className="preview-table">
                <thead>
                  <tr>
                    <th scope="col">Part</th>
                    <th scope="col">Words</th>
                    <th scope="col">Begins</th>
                  </tr>
                </thead>
                <tbody>
                  {data.sections.slice(0, 200).map((section) => (
                    <tr key={section.start}>
                      <th scope="row">{section.name}</th>
                      <td>{inFigures(section.words)}</td>
                      <td className={shared.previewText}>{section.opening}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {data.total > 200 && <p className="quiet">… and {inFigures(data.total - 200)} more.</p>}
            </div>
          )
        )}
      </div>
    </Modal>
  );
}

function usualRule(kind: SplitRule['kind']): SplitRule {
  switch (kind) {
    case 'headings':
      return { kind, keepBefore: true };
    case 'lineStart':
      return { kind, word: '', keepBefore: true };
    case 'pattern':
      return { kind, pattern: '', keepBefore: true };
    case 'separator':
      return { kind, separator: '---' };
    case 'blankLines':
      return { kind, lines: 2 };
    case 'words':
      return { kind, words: 1000 };
  }
}

function RuleSettings({ rule, onChange }: { rule: SplitRule; onChange: (rule: SplitRule) => void }) {
  const before = 'keepBefore' in rule && (
    <Radio.Group
      aria-label="What stands before the first heading"
      value={rule.keepBefore}
      options={[
        { value: true, label: 'keep what stands before the first' },
        { value: false, label: 'drop it' },
      ]}
      onChange={(event) => onChange({ ...rule, keepBefore: event.target.value as boolean })}
    />
  );
  switch (rule.kind) {
    case 'headings':
      return before;
    case 'lineStart':
      return (
        <>
          <Input
            autoFocus
            aria-label="Word at the start of a line"
            placeholder="such as Chapter, Interview or Day"
            value={rule.word}
            maxLength={100}
            onChange={(event) => onChange({ ...rule, word: event.target.value })}
          />
          {before}
        </>
      );
    case 'pattern':
      return (
        <>
          <Input
            autoFocus
            aria-label="Pattern of a heading line"
            placeholder="such as ^\d+\. "
            value={rule.pattern}
            maxLength={500}
            onChange={(event) => onChange({ ...rule, pattern: event.target.value })}
          />
          {before}
        </>
      );
    case 'separator':
      return (
        <Input
          autoFocus
          aria-label="Separator line"
          value={rule.separator}
          maxLength={200}
          onChange={(event) => onChange({ ...rule, separator: event.target.value })}
        />
      );
    case 'blankLines':
      return (
        <label className="control-row">
          groups of at least
          <NumberBox
            label="Blank lines"
            value={rule.lines}
            range={{ min: 1, max: 20, whole: true }}
            onChange={(lines) => onChange({ ...rule, lines })}
          />
          blank lines
        </label>
      );
    case 'words':
      return (
        <label className="control-row">
          about
          <NumberBox
            label="Words a part"
            value={rule.words}
            range={{ min: 10, max: 1_000_000, whole: true }}
            step={100}
            onChange={(words) => onChange({ ...rule, words })}
          />
          words a part, up to the end of a sentence
        </label>
      );
  }
}
