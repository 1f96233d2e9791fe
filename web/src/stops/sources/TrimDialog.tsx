import { Button, Checkbox, Input, Modal, Radio, Select } from 'antd';
import { useMemo, useState } from 'react';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import type { StudySource } from '@green-thicket/core/study/study';
import type { TrimRule } from '@green-thicket/core/text/trimming';
import { useView } from '../../engine/use-view.ts';
import { NumberBox } from '../../controls/control-inputs.tsx';
import { useStudy } from '../../pieces/study-context.ts';
import { useReturnFocus } from '../../pieces/use-return-focus.ts';
import styles from './TrimDialog.module.css';
import shared from './sources.module.css';

const RULES = [
  { value: 'mark', label: 'before or after a text' },
  { value: 'place', label: 'before or after a place in one source' },
  { value: 'lines', label: 'first or last lines' },
  { value: 'repeated', label: 'lines that repeat' },
] as const;
/** The rules chosen here; what repeats and parts of mails are found by themselves (`WorthALook`). */
type ChosenRule = Extract<TrimRule, { kind: (typeof RULES)[number]['value'] }>;

/** Cuts what is no part of what people said: shown before it is done, and never taken out of the originals. */
export function TrimDialog({ sources, onClose }: { sources: readonly StudySource[]; onClose: () => void }) {
  useReturnFocus();
  const { state, decide } = useStudy();
  const [rule, setRule] = useState<ChosenRule>({ kind: 'mark', side: 'before', text: '', inclusive: false });
  const [place, setPlace] = useState(sources[0].id);
  const sourceIds = useMemo(
    () => (rule.kind === 'place' ? [place] : sources.map((source) => source.id)),
    [rule.kind, place, sources],
  );
  const { data, isPlaceholderData } = useView('trim', { rule, sourceIds });
  const nameOf = new Map(state.sources.map((source) => [source.id, source.name]));
  const trimmed = sources.filter((source) => (source.cuts ?? []).length > 0);
  const characters = data?.rows.reduce((sum, row) => sum + row.characters, 0) ?? 0;
  return (
    <Modal
      open
      width={760}
      title={`Trim ${counted(sources.length, 'source')}`}
      okText={data ? `Cut this from ${counted(data.rows.length, 'source')}` : 'Cut this'}
      okButtonProps={{ disabled: !data || isPlaceholderData || data.rows.length === 0 }}
      onOk={() => {
        if (data) decide({ kind: 'setCuts', cuts: data.cuts });
        onClose();
      }}
      onCancel={onClose}
      styles={{ body: { maxHeight: '66vh', overflowY: 'auto' } }}
    >
      <div className="stack">
        <Radio.Group
          aria-label="What to cut"
          value={rule.kind}
          options={[...RULES]}
          onChange={(event) => setRule(usualRule(event.target.value as ChosenRule['kind']))}
        />
        {rule.kind === 'place' && (
          <PlaceChoice sources={sources} place={place} rule={rule} onPlace={setPlace} onChange={setRule} />
        )}
        {rule.kind === 'mark' && <MarkChoice rule={rule} onChange={setRule} />}
        {rule.kind === 'lines' && (
          <label className="control-row">
            <SideChoice
              sides={[
                ['first', 'the first'],
                ['last', 'the last'],
              ]}
              side={rule.side}
              onChange={(side) => setRule({ ...rule, side })}
            />
            <NumberBox
              label="How many lines"
              value={rule.count}
              range={{ min: 1, max: 1000, whole: true }}
              onChange={(count) => setRule({ ...rule, count })}
            />
            lines
          </label>
        )}
        {rule.kind === 'repeated' && <RepeatedChoice rule={rule} onChange={setRule} />}
        {data && (
          <div className={isPlaceholderData ? 'dimmed' : undefined}>
            <p role="status">
              {data.rows.length === 0
                ? 'Nothing is cut so far.'
                : `Cut from ${counted(data.rows.length, 'source')}, ${counted(characters, 'character')} in all. The originals keep them.`}
            </p>
            <table className="preview-table">
              <tbody>
                {data.rows.slice(0, 60).map((row) => (
                  <tr key={row.id}>
                    <th scope="row">{nameOf.get(row.id)}</th>
                    <td>{inFigures(row.characters)}</td>
                    <td className={shared.previewText}>
                      <del className="trace">{row.excerpt}</del>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        {trimmed.length > 0 && (
          <p className="quiet">
            {counted(trimmed.length, 'source')} of these {trimmed.length === 1 ? 'is' : 'are'} trimmed
            already.{' '}
            <Button
              size="small"
              onClick={() =>
                decide({
                  kind: 'setCuts',
                  cuts: Object.fromEntries(trimmed.map((source) => [source.id, []])),
                })
              }
            >
              Put everything back
            </Button>
          </p>
        )}
      </div>
    </Modal>
  );
}

function usualRule(kind: ChosenRule['kind']): ChosenRule {
  switch (kind) {
    case 'mark':
      return { kind, side: 'before', text: '', inclusive: false };
    case 'place':
      return { kind, side: 'before', at: 0 };
    case 'lines':
      return { kind, side: 'first', count: 1 };
    case 'repeated':
      return { kind, lines: [] };
  }
}

function SideChoice<S extends string>({
  sides,
  side,
  onChange,
}: {
  sides: readonly (readonly [S, string])[];
  side: S;
  onChange: (side: S) => void;
}) {
  return (
    <Radio.Group
      aria-label="Which side"
      value={side}
      options={sides.map(([value, label]) => ({ value, label }))}
      onChange={(event) => onChange(event.target.value as S)}
    />
  );
}

function MarkChoice({
  rule,
  onChange,
}: {
  rule: Extract<ChosenRule, { kind: 'mark' }>;
  onChange: (rule: ChosenRule) => void;
}) {
  return (
    <>
      <div className="control-row">
        Everything
        <SideChoice
          sides={[
            ['before', 'before'],
            ['after', 'after'],
          ]}
          side={rule.side}
          onChange={(side) => onChange({ ...rule, side })}
        />
        <Input
          autoFocus
          aria-label="Text to cut at"
          placeholder="a text that stands there in each source"
          value={rule.text}
          maxLength={300}
          onChange={(event) => onChange({ ...rule, text: event.target.value })}
        />
      </div>
      <Checkbox
        checked={rule.inclusive}
        onChange={(event) => onChange({ ...rule, inclusive: event.target.checked })}
      >
        and that line too
      </Checkbox>
    </>
  );
}

/** Lines shown of a source to mark a place in, from either end. */
const SHOWN_LINES = 120;

function PlaceChoice({
  sources,
  place,
  rule,
  onPlace,
  onChange,
}: {
  sources: readonly StudySource[];
  place: string;
  rule: Extract<ChosenRule, { kind: 'place' }>;
  onPlace: (id: string) => void;
  onChange: (rule: ChosenRule) => void;
}) {
  const source = sources.find((each) => each.id === place) ?? sources[0];
  const at = rule.side === 'before' ? 0 : Math.max(0, source.length - 1);
  const { data } = useView('source', { sourceId: source.id, selection: null, at });
  const lines: { start: number; text: string }[] = [];
  let start = data?.start ?? 0;
  for (const text of data?.text.split('\n') ?? []) {
    lines.push({ start, text });
    start += text.length + 1;
  }
  const shown = (rule.side === 'before' ? lines.slice(0, SHOWN_LINES) : lines.slice(-SHOWN_LINES)).filter(
    ({ text }) => text.trim() !== '',
  );
  return (
    <>
      <div className="control-row">
        In
        <Select
          showSearch={{ optionFilterProp: 'label' }}
          className="wide"
          aria-label="Source to cut in"
          value={source.id}
          options={sources.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(id: string) => {
            onPlace(id);
            onChange({ ...rule, at: 0 });
          }}
        />
        everything
        <SideChoice
          sides={[
            ['before', 'before'],
            ['after', 'after'],
          ]}
          side={rule.side}
          onChange={(side) => onChange({ kind: 'place', side, at: side === 'before' ? 0 : source.length })}
        />
        the line marked here:
      </div>
      <ul className={`plain-list ${styles.placeList}`} aria-label="Lines to mark">
        {shown.map((line) => {
          const isCut = rule.side === 'before' ? line.start < rule.at : line.start >= rule.at;
          return (
            <li key={line.start}>
              <button
                type="button"
                className={isCut ? `row-button ${styles.isCut}` : 'row-button'}
                aria-pressed={line.start === rule.at}
                onClick={() => onChange({ ...rule, at: line.start })}
              >
                {line.text}
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}

function RepeatedChoice({
  rule,
  onChange,
}: {
  rule: Extract<ChosenRule, { kind: 'repeated' }>;
  onChange: (rule: ChosenRule) => void;
}) {
  const { data } = useView('repeatedLines', null);
  if (!data) return <p>Looking for lines that repeat …</p>;
  if (data.lines.length === 0) return <p>No line comes back in a third of the sources or more.</p>;
  return (
    <ul className={`plain-list ${styles.placeList}`} aria-label="Lines that repeat">
      {data.lines.map(({ line, sources, times }) => (
        <li key={line}>
          <Checkbox
            checked={rule.lines.includes(line)}
            onChange={(event) =>
              onChange({
                ...rule,
                lines: event.target.checked
                  ? [...rule.lines, line]
                  : rule.lines.filter((each) => each !== line),
              })
            }
          >
            {line}{' '}
            <span className="quiet">
              {counted(times, 'time')} in {counted(sources, 'source')}
            </span>
          </Checkbox>
        </li>
      ))}
    </ul>
  );
}
