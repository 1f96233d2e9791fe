import { Checkbox, Modal, Radio, Select, Switch } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ATTRIBUTE_TYPES, type AttributeType } from '@green-thicket/core/study/attributes';
import type { StudySource } from '@green-thicket/core/study/study';
import type { Description } from '@green-thicket/core/intake/describing-table';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import type { TableChoice, TableColumn } from '@green-thicket/core/intake/table-sources';
import { intakeWorker } from '../../engine/client.ts';
import type { HeldTable, SheetLook, TableOutcome, TablePreview } from '../../engine/protocol.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ownValue } from '@green-thicket/core/base/records';
import { useReturnFocus } from '../../pieces/use-return-focus.ts';
import styles from './TableDialog.module.css';
import shared from './sources.module.css';

/** What was decided about a table. */
export type TableAnswer =
  | { readonly kind: 'left' }
  | { readonly kind: 'sources'; readonly outcome: TableOutcome }
  | { readonly kind: 'described'; readonly description: Description; readonly note: string };

/** What is chosen in the dialog. */
interface Chosen {
  readonly sheet: number;
  readonly look: SheetLook;
  readonly choice: TableChoice;
  /** Whether the rows are sources, or say something of sources that are here. */
  readonly as: 'sources' | 'attributes';
  readonly nameColumn: number;
}

/** A table before it becomes sources: which column is the text, which are attributes, and what would come of it. */
export function TableDialog({
  table,
  which: [which, tables],
  brought,
  onAnswer,
}: {
  table: HeldTable;
  /** Which of how many tables it is. */
  which: readonly [number, number];
  /** Sources that came in with the table: they may not stand in the study's state yet. */
  brought: readonly StudySource[];
  onAnswer: (answer: TableAnswer) => void;
}) {
  useReturnFocus();
  const { id, state } = useStudy();
  const { sources } = state;
  const tellFault = useTellFault();
  const [chosen, setChosen] = useState<Chosen>();
  const [preview, setPreview] = useState<TablePreview>();
  const [description, setDescription] = useState<Description>();
  const [busy, setBusy] = useState(false);

  // Attributes that come in while the dialog is open are no reason to look again.
  const known = useRef([...sources, ...brought]);
  const look = useCallback(
    (sheet: number, hasHead?: boolean): void =>
      tellFault('The table can’t be looked at', async () => {
        const found = await intakeWorker.lookAtSheet(table.table, sheet, known.current, hasHead);
        setChosen((before) => ({
          sheet,
          look: found,
          choice: found.choice,
          as: before?.as ?? (found.nameColumn === undefined ? 'sources' : 'attributes'),
          nameColumn: found.nameColumn ?? 0,
        }));
      }),
    [table.table, tellFault],
  );
  useEffect(() => {
    look(0);
  }, [look]);

  useEffect(() => {
    if (!chosen) return undefined;
    let isPast = false;
    const { sheet, choice, as, nameColumn } = chosen;
    tellFault('The table can’t be shown', async () => {
      if (as === 'sources') {
        const made = await intakeWorker.previewTable(table.table, sheet, choice);
        if (!isPast) setPreview(made);
      } else {
        const columns = choice.attributes.map(({ column }) => column);
        const said =
          columns.filter((column) => column !== nameColumn).length === 0
            ? undefined
            : await intakeWorker.describeByTable(table.table, sheet, nameColumn, columns, sources);
        if (!isPast) setDescription(said);
      }
    });
    return () => {
      isPast = true;
    };
  }, [chosen, table.table, sources, tellFault]);

  const finish = (): void =>
    tellFault('Nothing was added', async () => {
      if (!chosen) return;
      setBusy(true);
      try {
        if (chosen.as === 'attributes') {
          if (description)
            onAnswer({ kind: 'described', description, note: describedNote(table.name, description) });
          return;
        }
        const outcome = await intakeWorker.takeTable(id, table.table, chosen.sheet, chosen.choice);
        onAnswer({ kind: 'sources', outcome });
      } finally {
        setBusy(false);
      }
    });

  const nothing = chosen?.as === 'attributes' ? !description : (preview?.sources ?? 0) === 0;
  return (
    <Modal
      open
      width={860}
      title={`What is in ${table.name}?${tables > 1 ? ` (table ${which} of ${tables})` : ''}`}
      okText={
        chosen?.as === 'attributes'
          ? 'Take these attributes'
          : preview
            ? `Add ${counted(preview.sources, 'source')}`
            : 'Add'
      }
      cancelText="Leave this table out"
      okButtonProps={{ disabled: nothing || busy, loading: busy }}
      onOk={finish}
      onCancel={() => onAnswer({ kind: 'left' })}
      styles={{ body: { maxHeight: '66vh', overflowY: 'auto' } }}
    >
      {!chosen ? (
        <p>Looking at the table …</p>
      ) : (
        <div className="stack">
          <TableSettings
            table={table}
            chosen={chosen}
            canDescribe={sources.length > 0}
            onChange={setChosen}
            onLook={(sheet, hasHead) => look(sheet, hasHead)}
          />
          {chosen.as === 'sources'
            ? preview && <SourcesPreview preview={preview} choice={chosen.choice} />
            : description && <p role="status">{describedNote(table.name, description)}</p>}
        </div>
      )}
    </Modal>
  );
}

function describedNote(name: string, { values, unmatched, without }: Description): string {
  const named = new Set(Object.values(values).flatMap((of) => Object.keys(of))).size;
  const others = [
    ...(unmatched.length > 0
      ? [`${counted(unmatched.length, 'name')} in it fit no source, such as ${unmatched[0]}`]
      : []),
    ...(without.length > 0
      ? [`${counted(without.length, 'source')} are not in it, such as ${without[0]}`]
      : []),
  ];
  const first = `${name} gives ${counted(Object.keys(values).length, 'attribute')} to ${counted(named, 'source')}.`;
  return others.length === 0 ? first : `${first} ${others.join('; ')}.`;
}

function TableSettings({
  table,
  chosen,
  canDescribe,
  onChange,
  onLook,
}: {
  table: HeldTable;
  chosen: Chosen;
  canDescribe: boolean;
  onChange: (chosen: Chosen) => void;
  onLook: (sheet: number, hasHead?: boolean) => void;
}) {
  const { look, choice, as } = chosen;
  const columnOptions = look.columns.map(({ name }, column) => ({ value: column, label: name }));
  const setChoice = (change: Partial<TableChoice>): void =>
    onChange({ ...chosen, choice: { ...choice, ...change } });
  const setText = (textColumn: number): void => {
    const { name, type } = look.columns[choice.textColumn];
    const others = choice.attributes.filter(({ column }) => column !== textColumn);
    // The column that was taken for the text may be an attribute after all, where it is short.
    const before =
      look.columns[choice.textColumn].length <= 60 ? [{ column: choice.textColumn, name, type }] : [];
    setChoice({ textColumn, attributes: [...others, ...before].sort((a, b) => a.column - b.column) });
  };
  return (
    <>
      {canDescribe && (
        <Radio.Group
          aria-label="What the rows are"
          value={as}
          options={[
            { value: 'sources', label: 'The rows hold texts: make sources of them' },
            { value: 'attributes', label: 'The rows tell of sources that are here: take their attributes' },
          ]}
          onChange={(event) => onChange({ ...chosen, as: event.target.value as Chosen['as'] })}
        />
      )}
      <div className={styles.tableSettings}>
        {table.sheets.length > 1 && (
          <label>
            Sheet
            <Select
              aria-label="Sheet"
              value={chosen.sheet}
              options={table.sheets.map(({ name, rows }, sheet) => ({
                value: sheet,
                label: `${name} (${counted(rows, 'row')})`,
              }))}
              onChange={(sheet) => onLook(sheet)}
            />
          </label>
        )}
        <label>
          The first row names the columns
          <Switch
            size="small"
            aria-label="The first row names the columns"
            checked={choice.hasHead}
            onChange={(hasHead) => onLook(chosen.sheet, hasHead)}
          />
        </label>
        {as === 'sources' ? (
          <>
            <label>
              The text is in
              <Select
                showSearch={{ optionFilterProp: 'label' }}
                aria-label="Text column"
                value={choice.textColumn}
                options={columnOptions}
                onChange={setText}
              />
            </label>
            <label>
              A source is
              <Select
                aria-label="What makes a source"
                value={choice.groupColumn}
                options={[
                  { value: -1, label: 'each row' },
                  ...look.columns.map(({ name, different }, column) => ({
                    value: column,
                    label: `each value of ${name} (${different})`,
                  })),
                ]}
                onChange={(groupColumn) => setChoice({ groupColumn })}
              />
            </label>
          </>
        ) : (
          <label>
            The sources’ names are in
            <Select
              aria-label="Column of names"
              value={chosen.nameColumn}
              options={columnOptions}
              onChange={(nameColumn) => onChange({ ...chosen, nameColumn })}
            />
          </label>
        )}
      </div>
      {as === 'sources' && choice.textColumn === look.choice.textColumn && (
        <p className="quiet">This column was taken because {look.why[0].toLowerCase() + look.why.slice(1)}</p>
      )}
      <AttributeChoice
        columns={look.columns}
        choice={choice}
        hidden={as === 'sources' ? choice.textColumn : chosen.nameColumn}
        onChange={(attributes) => setChoice({ attributes })}
      />
    </>
  );
}

function AttributeChoice({
  columns,
  choice,
  hidden,
  onChange,
}: {
  columns: readonly TableColumn[];
  choice: TableChoice;
  hidden: number;
  onChange: (attributes: TableChoice['attributes']) => void;
}) {
  if (columns.length < 2) return null;
  return (
    <fieldset className={styles.attributeChoice}>
      <legend className="pane-title">Attributes</legend>
      <div className={styles.attributeChoiceList}>
        {columns.map(({ name, type, filled, different }, column) => {
          if (column === hidden) return null;
          const own = choice.attributes.find((each) => each.column === column);
          const others = choice.attributes.filter((each) => each.column !== column);
          const put = (attributeType: AttributeType): void =>
            onChange([...others, { column, name, type: attributeType }].sort((a, b) => a.column - b.column));
          return (
            <div key={column} className={styles.attributeChoiceLine}>
              <Checkbox
                checked={own !== undefined}
                onChange={(event) => (event.target.checked ? put(type) : onChange(others))}
              >
                {name}{' '}
                <span className="quiet">
                  {inFigures(filled)} given, {inFigures(different)} different
                </span>
              </Checkbox>
              {own && (
                <Select
                  size="small"
                  aria-label={`Type of ${name}`}
                  value={own.type}
                  options={ATTRIBUTE_TYPES.map((value) => ({ value, label: value }))}
                  onChange={put}
                />
              )}
            </div>
          );
        })}
      </div>
    </fieldset>
  );
}

function SourcesPreview({ preview, choice }: { preview: TablePreview; choice: TableChoice }) {
  return (
    <>
      <p role="status" className={styles.tableNote}>
        {preview.note}
      </p>
      <div className={styles.previewScroll}>
        <table className="preview-table" aria-label="The first sources as they will be">
          <thead>
            <tr>
              <th scope="col">Source</th>
              <th scope="col">Text</th>
              {choice.attributes.map(({ column, name }) => (
                <th scope="col" key={column}>
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {preview.rows.map((row) => (
              <tr key={row.name}>
                <th scope="row">{row.name}</th>
                <td className={shared.previewText}>{row.opening}</td>
                {choice.attributes.map(({ column, name }) => (
                  <td key={column}>{ownValue(row.attributes, name) ?? ''}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
