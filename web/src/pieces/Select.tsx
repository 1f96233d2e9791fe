import { Select as AntSelect, type SelectProps } from 'antd';
import { useCallback, useEffect, useMemo, useRef } from 'react';
import { useSame } from './use-same.ts';

/**
 * A choice from a list. Ant Design works out the whole style of a Select each time it is drawn, some milliseconds each,
 * and many parts of the page are drawn at every decision; so one that shows the same is not drawn again.
 */
export function Select<Value>({ onChange, ...props }: SelectProps<Value>) {
  const latest = useRef(onChange);
  useEffect(() => {
    latest.current = onChange;
  });
  const change = useCallback<NonNullable<SelectProps<Value>['onChange']>>(
    (value, option) => latest.current?.(value, option),
    [],
  );
  const same = useSame(props);
  return useMemo(() => <AntSelect<Value> {...same} onChange={change} />, [same, change]);
}
