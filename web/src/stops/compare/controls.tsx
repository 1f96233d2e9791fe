import { Radio } from 'antd';
import { attributeNames, comparedAttribute } from '@green-thicket/core/study/groups';
import { workingSources } from '@green-thicket/core/study/subset';
import { type Controls } from '../../controls/control-inputs.tsx';

export const CONTROLS: Controls<'attribute' | 'order'> = {
  attribute: {
    label: 'Attribute',
    help: 'The groups compared are the values of this attribute.',
    Input: ({ state, decide }) => (
      <Radio.Group
        aria-label="Attribute"
        className="control-column"
        value={comparedAttribute(state)}
        options={attributeNames(workingSources(state)).map((name) => ({ value: name, label: name }))}
        onChange={(event) =>
          decide({ kind: 'setCompare', change: { attribute: event.target.value as string } })
        }
      />
    ),
  },
  order: {
    label: 'Order of the themes',
    help: 'By strength over all groups, or by how far the groups are apart.',
    Input: ({ state, decide }) => (
      <Radio.Group
        aria-label="Order of the themes"
        value={state.settings.compare.order}
        options={[
          { value: 'share', label: 'overall strength' },
          { value: 'difference', label: 'difference' },
        ]}
        onChange={(event) =>
          decide({ kind: 'setCompare', change: { order: event.target.value as 'share' | 'difference' } })
        }
      />
    ),
  },
};
