import { useEffect } from 'react';
import { useView } from '../engine/use-view.ts';
import { keepRegister } from '../store/studies.ts';
import { useStudy } from '../pieces/study-context.ts';

/** Keeps the letters of the themes that are shown, so that they stay with them over re-computation. */
export function RegisterKeeper() {
  const { id } = useStudy();
  const { data, isPlaceholderData } = useView('themes', null);
  const register = data?.register;
  useEffect(() => {
    // A letter that could not be kept now is kept with the next grouping; nothing the researcher did is lost.
    if (register && !isPlaceholderData) keepRegister(id, register).catch(() => undefined);
  }, [id, register, isPlaceholderData]);
  return null;
}
