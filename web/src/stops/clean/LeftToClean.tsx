import { inFigures } from '@green-thicket/core/base/wording';
import { Button } from 'antd';
import type { RemainRow, TextPlace } from '@green-thicket/core/views/view-types';
import { REMAIN_KINDS, type RemainKind } from '@green-thicket/core/text/cleaning/remains';
import {
  newStep,
  stepDescription,
  stepText,
  type CleaningStep,
} from '@green-thicket/core/text/cleaning/steps';
import { useView } from '../../engine/use-view.ts';
import { useStepChanges, type StepChanges } from './step-changes.ts';
import { visible } from './StepReportCard.tsx';
import styles from './LeftToClean.module.css';

const KIND_NAMES: Record<RemainKind, { readonly name: string; readonly help: string }> = {
  odd: { name: 'Odd characters', help: 'Characters that are no letters, figures or usual marks' },
  runs: { name: 'Runs of symbols', help: 'Marks in a row, such as !!!! or ----' },
  mojibake: {
    name: 'Broken characters',
    help: 'Letters that were read in the wrong encoding, such as Ã© for é',
  },
  digits: { name: 'Words with digits', help: 'Numbers, and words with figures in them' },
  long: { name: 'Very long words', help: 'Words of more than 24 characters' },
  glued: { name: 'Words run together', help: 'Words that look like two without the space between them' },
};

/** Control characters and the like have no shape; their number is shown. */
function shown(text: string): string {
  return visible(text).replace(
    /[\u0000-\u001f\u007f-\u009f\u200b-\u200f\u2060\ufeff\u00ad]/g,
    (character) => `U+${(character.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0')}`,
  );
}

/** The step that is there for what is found, with its setting widened, or a new one. */
function removing({ steps, add, change, switchStep }: StepChanges, row: RemainRow): void {
  const present = steps.find((step) => step.kind === row.step.kind);
  if (stepDescription(row.step.kind).repeatable || !present) {
    const fresh: CleaningStep = { ...newStep(row.step.kind, steps), ...row.step };
    add(fresh);
    return;
  }
  const wider = widened(present, row);
  if (wider === present) switchStep(present, true);
  else change({ ...wider, on: true });
}

/** A step that also takes what it left: symbols beside emoji, digits in words. */
function widened(present: CleaningStep, { step }: RemainRow): CleaningStep {
  if (present.kind === 'symbols' && step.kind === 'symbols' && present.which !== step.which) {
    return { ...present, which: 'both' };
  }
  if (present.kind === 'numbers' && step.kind === 'numbers' && step.inWords) {
    return { ...present, inWords: true };
  }
  return present;
}

/** What is left to clean: a click shows it in the text, and the step that removes it is offered. */
export function LeftToClean({ onShow }: { onShow: (title: string, places: readonly TextPlace[]) => void }) {
  const { data, isPlaceholderData } = useView('remains', null);
  const changes = useStepChanges();
  if (!data) return <p className="quiet">Looking for what is left …</p>;
  if (data.remains.length === 0) {
    return <p>Nothing stands out: no odd characters, no runs of symbols, no words run together.</p>;
  }
  return (
    <div className={isPlaceholderData ? 'dimmed' : undefined}>
      {REMAIN_KINDS.map((kind) => {
        const rows = data.remains.filter((row) => row.kind === kind);
        if (rows.length === 0) return null;
        return (
          <section key={kind} aria-label={KIND_NAMES[kind].name}>
            <h2 className="pane-title" title={KIND_NAMES[kind].help}>
              {KIND_NAMES[kind].name} <span className="quiet">{rows.length}</span>
            </h2>
            <ul className="plain-list">
              {rows.map((row) => (
                <li key={row.text} className={styles.remainLine}>
                  <button
                    type="button"
                    className="row-button"
                    title="Show it in the text"
                    onClick={() => onShow(`“${shown(row.text)}”`, row.places)}
                  >
                    <span className="row-name">{shown(row.text)}</span>
                    <span className="row-figure">{inFigures(row.count)}</span>
                  </button>
                  <Button
                    size="small"
                    title={`Add the step: ${stepText(row.step)}`}
                    aria-label={`Clean ${shown(row.text)}: ${stepText(row.step)}`}
                    onClick={() => removing(changes, row)}
                  >
                    {row.step.kind === 'replace' && row.step.replacement !== '' ? 'Repair' : 'Take out'}
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
