import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { shownSources } from '@green-thicket/core/study/subset';
import type { TextPlace } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { CleanedExport } from './CleanedExport.tsx';
import { CleanFigures } from './CleanFigures.tsx';
import { CleanText, type TextFace } from './CleanText.tsx';
import { LeftToClean } from './LeftToClean.tsx';
import { RecipeButtons } from './RecipeButtons.tsx';
import { StepList } from './StepList.tsx';
import { Select } from '../../pieces/Select.tsx';
import styles from './CleanStop.module.css';
import { FirstNote } from '../../pieces/FirstNote.tsx';

/** Places that were asked for, gone through one by one. */
export interface FoundPlaces {
  readonly title: string;
  readonly places: readonly TextPlace[];
  readonly index: number;
}

const FACES: readonly { readonly value: TextFace | 'figures'; readonly label: string }[] = [
  { value: 'traces', label: 'Traces' },
  { value: 'original', label: 'Original' },
  { value: 'clean', label: 'Cleaned' },
  { value: 'both', label: 'Side by side' },
  { value: 'figures', label: 'Figures' },
];

/** Clean: the text itself fills the centre; what a step takes out or changes stays visible as a trace until it is hidden. */
export function CleanStop() {
  const { state } = useStudy();
  const sources = shownSources(state);
  const [panel, setPanel] = useState<'steps' | 'left'>('steps');
  const [face, setFace] = useState<TextFace | 'figures'>('traces');
  const [chosen, setChosen] = useState<string>();
  const [at, setAt] = useState(0);
  const [found, setFound] = useState<FoundPlaces>();
  const place = found?.places[found.index];
  const source = sources.find((each) => each.id === (place?.sourceId ?? chosen)) ?? sources[0];
  const { data, isPlaceholderData } = useView(
    'cleaning',
    { sourceId: source?.id ?? '', at: place?.start ?? at },
    source !== undefined && face !== 'figures',
  );
  if (!source) {
    return <NothingToClean />;
  }
  const open = (id: string): void => {
    setFound(undefined);
    setChosen(id);
    setAt(0);
  };
  const show = (title: string, places: readonly TextPlace[]): void => {
    if (face !== 'traces' && face !== 'original') setFace('traces');
    setFound({ title, places, index: 0 });
  };
  const here = sources.indexOf(source);
  return (
    <InTurn>
      <section className="ledger" aria-label="Steps">
        <FirstNote of="list" />
        <Segmented
          block
          size="small"
          aria-label="Steps, or what is left to clean"
          value={panel}
          options={[
            { value: 'steps', label: 'Steps' },
            { value: 'left', label: 'Left to clean' },
          ]}
          onChange={setPanel}
        />
        {panel === 'steps' ? <StepList /> : <LeftToClean onShow={show} />}
      </section>
      <main className="centre" aria-label="Clean">
        <FirstNote of="centre" />
        <div className="centre-bar">
          <Segmented aria-label="Show the text" value={face} options={[...FACES]} onChange={setFace} />
          <span className="centre-bar-end">
            <RecipeButtons />
            <CleanedExport />
          </span>
        </div>
        {face === 'figures' ? (
          <CleanFigures onShow={show} />
        ) : (
          <>
            <div className="centre-bar">
              <Button
                size="small"
                aria-label="Source before"
                disabled={here <= 0}
                onClick={() => open(sources[here - 1].id)}
              >
                ‹
              </Button>
              <Select
                showSearch={{ optionFilterProp: 'label' }}
                size="small"
                aria-label="Source"
                className={styles.sourceChoice}
                value={source.id}
                options={sources.map((each) => ({ value: each.id, label: each.name }))}
                onChange={open}
              />
              <Button
                size="small"
                aria-label="Source after"
                disabled={here >= sources.length - 1}
                onClick={() => open(sources[here + 1].id)}
              >
                ›
              </Button>
              {found && <FoundBar found={found} onChange={setFound} />}
            </div>
            {data && (
              <div className={isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}>
                <CleanText
                  view={data}
                  face={face}
                  name={source.name}
                  place={place}
                  goTo={(next) => {
                    setFound(undefined);
                    setChosen(source.id);
                    setAt(next);
                  }}
                />
              </div>
            )}
          </>
        )}
      </main>
    </InTurn>
  );
}

/** What stands where there is no text. */
function NothingToClean() {
  const { state } = useStudy();
  const network = useNetwork();
  return (
    <>
      <section className="ledger" aria-label="Steps" />
      <main className="centre" aria-label="Clean">
        <FirstNote of="centre" />
        <div className="empty-centre">
          <h2>{network ? 'Nothing to clean' : 'Nothing to clean yet'}</h2>
          <p>
            {network
              ? 'This study is a network without texts. Texts can be added at Sources; the network then steps back.'
              : state.sources.length === 0
                ? 'Add texts at Sources. Here you will see what each cleaning step takes out of them.'
                : 'No source is in the subset. Widen it at Sources.'}
          </p>
        </div>
      </main>
    </>
  );
}

function FoundBar({
  found,
  onChange,
}: {
  found: FoundPlaces;
  onChange: (found: FoundPlaces | undefined) => void;
}) {
  const { title, places, index } = found;
  const go = (by: number): void =>
    onChange({ ...found, index: (index + by + places.length) % places.length });
  return (
    <span className={styles.foundBar} role="status">
      {places.length === 0 ? (
        `${title} stands in no text that is read.`
      ) : (
        <>
          {title}: place {index + 1} of {counted(places.length, 'place').replace(/ places?$/, '')}
          <Button size="small" aria-label="Place before" disabled={places.length < 2} onClick={() => go(-1)}>
            ‹
          </Button>
          <Button size="small" aria-label="Next place" disabled={places.length < 2} onClick={() => go(1)}>
            ›
          </Button>
        </>
      )}
      <Button size="small" type="text" aria-label="Stop showing it" onClick={() => onChange(undefined)}>
        ✕
      </Button>
    </span>
  );
}
