import { Input, Modal } from 'antd';
import { useMemo, useState } from 'react';
import { NamePatternError, readNamePattern, type NamePattern } from '@green-thicket/core/intake/name-pattern';
import { counted } from '@green-thicket/core/base/wording';
import { useStudy } from '../../pieces/study-context.ts';
import { ownValue } from '@green-thicket/core/base/records';
import { useReturnFocus } from '../../pieces/use-return-focus.ts';

const PREVIEWED = 8;

/** Attributes from the sources' names by a pattern, seen as they will be. */
export function FillFromNames({ onClose }: { onClose: () => void }) {
  useReturnFocus();
  const { state, decide } = useStudy();
  const [text, setText] = useState('');
  const read = useMemo((): { pattern?: NamePattern; fault?: string } => {
    if (text.trim() === '') return {};
    try {
      return { pattern: readNamePattern(text) };
    } catch (error) {
      if (error instanceof NamePatternError) return { fault: error.message };
      throw error;
    }
  }, [text]);
  const { pattern, fault } = read;
  const rows = state.sources.map((source) => ({ source, values: pattern?.read(source.name) }));
  const fitting = rows.filter(({ values }) => values !== undefined);
  const misfit = rows.find(({ values }) => values === undefined);
  const apply = (): void => {
    if (!pattern) return;
    decide({
      kind: 'setValues',
      values: Object.fromEntries(
        pattern.attributes.map((attribute) => [
          attribute,
          Object.fromEntries(
            fitting.map(({ source, values }) => [source.id, ownValue(values, attribute) ?? '']),
          ),
        ]),
      ),
    });
    onClose();
  };
  return (
    <Modal
      open
      width={680}
      title="Attributes from the sources’ names"
      okText={pattern ? `Set them for ${counted(fitting.length, 'source')}` : 'Set them'}
      okButtonProps={{ disabled: !pattern || fitting.length === 0 }}
      onOk={apply}
      onCancel={onClose}
    >
      <div className="stack">
        <p>
          Write how the names are made, with each attribute in braces:{' '}
          <code>{'{role}-{number}-{place}'}</code>. <code>{'{*}'}</code> passes something over. Endings such
          as .txt are not looked at.
        </p>
        <Input
          autoFocus
          aria-label="Pattern of the names"
          placeholder={`for ${state.sources[0]?.name ?? 'a name'}`}
          value={text}
          maxLength={300}
          status={fault ? 'error' : undefined}
          onChange={(event) => setText(event.target.value)}
        />
        {fault && (
          <p className="control-fault" role="alert">
            {fault}
          </p>
        )}
        {pattern && (
          <>
            <p role="status">
              {fitting.length} of {counted(rows.length, 'name')} fit
              {misfit ? `; ${misfit.source.name} does not, and is left as it is` : ''}.
            </p>
            <table className="preview-table">
              <thead>
                <tr>
                  <th scope="col">Source</th>
                  {pattern.attributes.map((attribute) => (
                    <th scope="col" key={attribute}>
                      {attribute}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {fitting.slice(0, PREVIEWED).map(({ source, values }) => (
                  <tr key={source.id}>
                    <th scope="row">{source.name}</th>
                    {pattern.attributes.map((attribute) => (
                      <td key={attribute}>{ownValue(values, attribute)}</td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </>
        )}
      </div>
    </Modal>
  );
}
