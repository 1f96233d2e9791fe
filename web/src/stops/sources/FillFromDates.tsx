import { Input, Modal, Radio } from 'antd';
import { useState } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import type { DateOrder } from '@green-thicket/core/text/dates';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ownValue } from '@green-thicket/core/base/records';
import { useReturnFocus } from '../../pieces/use-return-focus.ts';

const PREVIEWED = 8;

/** A date attribute from the first date in each text; where day and month could be either way, it is asked once. */
export function FillFromDates({ onClose }: { onClose: () => void }) {
  useReturnFocus();
  const { state, decide } = useStudy();
  const { data } = useView('textDates', null);
  const [name, setName] = useState('date');
  const [order, setOrder] = useState<DateOrder | null>(state.settings.sources.dateOrder);
  const found = state.sources.filter((source) => ownValue(data?.dates, source.id));
  const mustAsk = data !== undefined && data.ambiguous > 0;
  const used = order ?? 'dmy';
  const apply = (): void => {
    if (!data) return;
    const attribute = name.trim();
    decide({
      kind: 'setValues',
      values: {
        [attribute]: Object.fromEntries(
          found.map((source) => [source.id, ownValue(data.dates, source.id)?.[used] ?? '']),
        ),
      },
    });
    decide({ kind: 'setAttributeType', attribute, type: 'date' });
    if (mustAsk && order !== null && order !== state.settings.sources.dateOrder) {
      decide({ kind: 'setSources', change: { dateOrder: order } });
    }
    onClose();
  };
  return (
    <Modal
      open
      width={620}
      title="A date from the texts"
      okText={`Set it for ${counted(found.length, 'source')}`}
      okButtonProps={{ disabled: found.length === 0 || name.trim() === '' || (mustAsk && order === null) }}
      onOk={apply}
      onCancel={onClose}
    >
      {!data ? (
        <p>Looking for dates …</p>
      ) : (
        <div className="stack">
          <p role="status">
            {found.length === 0
              ? 'No text of those worked with has a date near its beginning.'
              : `The first date in ${found.length} of ${counted(state.sources.length, 'text')}; the others stay as they are.`}
          </p>
          <label className="control-row">
            Attribute
            <Input
              className="short"
              aria-label="Name of the date attribute"
              value={name}
              maxLength={60}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          {mustAsk && (
            <label className="control-row">
              {counted(data.ambiguous, 'date')} such as 4/5/2031 can be read two ways:
              <Radio.Group
                aria-label="How dates are written"
                value={order}
                options={[
                  { value: 'dmy', label: 'day first' },
                  { value: 'mdy', label: 'month first' },
                ]}
                onChange={(event) => setOrder(event.target.value as DateOrder)}
              />
            </label>
          )}
          {found.length > 0 && (
            <table className="preview-table">
              <tbody>
                {found.slice(0, PREVIEWED).map((source) => (
                  <tr key={source.id}>
                    <th scope="row">{source.name}</th>
                    <td>{ownValue(data.dates, source.id)?.[used]}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </div>
      )}
    </Modal>
  );
}
