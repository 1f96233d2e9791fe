import { Popover } from 'antd';
import { useState } from 'react';
import { methodSentences, type ControlName, type Stop } from '@green-thicket/core/words/sentences';
import { useView } from '../engine/use-view.ts';
import { CONTROLS, STOPS_BY_NAME } from '../stops/stops.ts';
import { FirstNote } from '../pieces/FirstNote.tsx';
import { FocusBox } from '../pieces/FocusBox.tsx';
import { useStudy } from '../pieces/study-context.ts';
import styles from './MethodSentence.module.css';

/** The settings of a stop as one sentence; its underlined words are the controls. */
export function MethodSentence({ stop }: { stop: Stop }) {
  const { state } = useStudy();
  const themes = useView('themesOnTrail', null).data;
  const languages = useView('languagesRead', null, stop === 'concepts').data;
  const compared = useView('compare', { rows: { kind: 'themes' } }, stop === 'compare').data;
  const figures = {
    resolution: themes?.resolution,
    also: themes?.also,
    exact: compared?.comparison.exact,
    languages: languages?.read,
  };
  const parts = methodSentences(state, figures)[stop];
  const { Sentence } = STOPS_BY_NAME[stop];
  return (
    <section aria-label="Method sentence">
      <FirstNote of="sentence" />
      <p className={styles.methodSentence}>
        {Sentence ? (
          <Sentence parts={parts} renderControl={(name, text) => <Control name={name} text={text} />} />
        ) : (
          parts.map((part, i) =>
            typeof part === 'string'
              ? part
              : 'control' in part && (
                  <Control key={`${part.control}-${i}`} name={part.control} text={part.text} />
                ),
          )
        )}
      </p>
    </section>
  );
}

function Control({ name, text }: { name: ControlName; text: string }) {
  const { state, decide } = useStudy();
  const [open, setOpen] = useState(false);
  const { label, help, wide = false, Input } = CONTROLS[name];
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      destroyOnHidden
      placement="bottomLeft"
      title={label}
      content={
        <FocusBox
          label={label}
          className={wide ? `control-box ${styles.wideBox}` : 'control-box'}
          onClose={() => setOpen(false)}
        >
          <Input state={state} decide={decide} close={() => setOpen(false)} />
          <p className="quiet">{help}</p>
        </FocusBox>
      }
    >
      <button
        type="button"
        className={styles.control}
        data-setting={label}
        title={help}
        aria-expanded={open}
        aria-haspopup="dialog"
      >
        {text}
      </button>
    </Popover>
  );
}
