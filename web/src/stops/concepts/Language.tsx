import { Select } from 'antd';
import { LANGUAGE_CODES, LANGUAGES, type LanguageCode } from '@green-thicket/core/languages/language-names';
import { counted, listed } from '@green-thicket/core/base/wording';
import type { ControlProps } from '../../controls/control-inputs.tsx';
import { useView } from '../../engine/use-view.ts';

/** The language the study is read in, and those that were found. */
export function Language({ state, decide }: ControlProps) {
  const { data } = useView('languages', null);
  const found = (code: LanguageCode): number => data?.of.filter((each) => each === code).length ?? 0;
  const read = useView('languagesRead', null).data?.read;
  const automatic = read ? listed(read.map((code) => LANGUAGES[code])) : 'looking …';
  return (
    <Select
      aria-label="Language"
      className="wide"
      value={state.settings.concepts.language}
      options={[
        { value: 'auto', label: `each text in its own (${automatic})` },
        ...LANGUAGE_CODES.map((code) => ({
          value: code,
          label: `${LANGUAGES[code]}${found(code) > 0 ? ` · ${counted(found(code), 'source')}` : ''}`,
        })),
      ]}
      onChange={(language: LanguageCode | 'auto') => decide({ kind: 'setConcepts', change: { language } })}
    />
  );
}
