import { Button, Input, Popconfirm, Popover, Radio } from 'antd';
import { useState } from 'react';
import { ATTRIBUTE_TYPES, comparable, type AttributeType } from '@green-thicket/core/study/attributes';
import { counted } from '@green-thicket/core/base/wording';
import { attributeNames } from '@green-thicket/core/study/groups';
import { useStudy } from '../../pieces/study-context.ts';
import type { RowOrder } from './row-order.ts';
import { ownValue } from '@green-thicket/core/base/records';
import { FocusBox } from '../../pieces/FocusBox.tsx';
import styles from './AttributeHead.module.css';

/** An attribute's column head: a click opens its name, type, order and removal. */
export function AttributeHead({
  attribute,
  order,
  onOrder,
}: {
  attribute: string;
  order: RowOrder | undefined;
  onOrder: (order: RowOrder) => void;
}) {
  const { state } = useStudy();
  const [open, setOpen] = useState(false);
  const isBy = order !== undefined && typeof order.by === 'object' && order.by.attribute === attribute;
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      destroyOnHidden
      title={`Attribute ${attribute}`}
      content={
        <AttributeSettings
          attribute={attribute}
          close={() => setOpen(false)}
          onSort={(falling) => {
            onOrder({ by: { attribute }, falling });
            setOpen(false);
          }}
        />
      }
    >
      <button type="button" className="head-button" title={`Name, type and order of ${attribute}`}>
        {attribute}
        {ownValue(state.attributeTypes, attribute) &&
          ownValue(state.attributeTypes, attribute) !== 'text' && (
            <span className={styles.typeMark}> {ownValue(state.attributeTypes, attribute)}</span>
          )}{' '}
        {isBy && (order.falling ? '↓' : '↑')}
      </button>
    </Popover>
  );
}

function AttributeSettings({
  attribute,
  close,
  onSort,
}: {
  attribute: string;
  close: () => void;
  onSort: (falling: boolean) => void;
}) {
  const { state, decide } = useStudy();
  const [name, setName] = useState(attribute);
  const type: AttributeType = ownValue(state.attributeTypes, attribute) ?? 'text';
  const dateOrder = state.settings.sources.dateOrder ?? 'dmy';
  const unread = state.sources.filter((source) => {
    const value = ownValue(source.attributes, attribute) ?? '';
    return value.trim() !== '' && comparable(value, type, dateOrder) === undefined;
  });
  const taken = attributeNames(state.sources).filter((each) => each !== attribute);
  const wanted = name.trim();
  const rename = (): void => {
    if (wanted === '' || wanted === attribute || taken.includes(wanted)) return;
    decide({ kind: 'renameAttribute', attribute, name: wanted });
    close();
  };
  return (
    <FocusBox label={`Attribute ${attribute}`} className="control-box" onClose={close}>
      <Input
        aria-label="Name of the attribute"
        value={name}
        maxLength={60}
        status={taken.includes(wanted) ? 'error' : undefined}
        onChange={(event) => setName(event.target.value)}
        onPressEnter={rename}
        onBlur={rename}
      />
      {taken.includes(wanted) && <p className="control-fault">There is an attribute of this name already.</p>}
      <Radio.Group
        aria-label="Type of the attribute"
        value={type}
        options={ATTRIBUTE_TYPES.map((value) => ({ value, label: value }))}
        onChange={(event) =>
          decide({ kind: 'setAttributeType', attribute, type: event.target.value as AttributeType })
        }
      />
      {unread.length > 0 && (
        <p className="control-fault">
          {counted(unread.length, 'value')} can’t be read as a {type}, such as “
          {ownValue(unread[0].attributes, attribute)}”. They count as not given.
        </p>
      )}
      <div className="control-row">
        <Button size="small" onClick={() => onSort(false)}>
          Sort up
        </Button>
        <Button size="small" onClick={() => onSort(true)}>
          Sort down
        </Button>
        <Popconfirm
          title={`Remove ${attribute} from every source?`}
          description="Undo brings it back."
          okText="Remove"
          cancelText="Keep"
          onConfirm={() => {
            close();
            decide({ kind: 'removeAttribute', attribute });
          }}
        >
          <Button size="small" type="text" aria-label={`Remove the attribute ${attribute}`}>
            Remove
          </Button>
        </Popconfirm>
      </div>
    </FocusBox>
  );
}
