import { inFigures } from '@green-thicket/core/base/wording';
import { Button, Checkbox, Slider } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { inkOf, NEUTRAL_INK } from '@green-thicket/core/map/palette';
import { renderBars, renderCloud } from '@green-thicket/core/map/word-picture';
import type { CandidateRow } from '@green-thicket/core/concepts/candidate-rows';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { withDrawnWords } from '@green-thicket/core/formats/write/document';
import { useRenamer } from '../../pieces/use-renamer.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { download, fileName } from '../../pieces/download.ts';
import { embeddedFont, svgToPng } from '../../pieces/export-picture.ts';
import { Select } from '../../pieces/Select.tsx';
import styles from './WordPicture.module.css';

const MOST = 200;
/** Type sizes of the cloud at first: the largest is as large as there is room for. */
const SIZES: readonly [number, number] = [11, 120];

/** What a cloud looks like: its order, whether words have their theme's colour, its smallest and largest type. */
interface Look {
  readonly order: 'middle' | 'rows';
  readonly colours: boolean;
  readonly sizes: readonly [number, number];
}

/** The kept concepts as bars or as a packed cloud, to look at and to save; a word opens its passages. */
export function WordPicture({
  kind,
  rows,
  onPick,
}: {
  kind: 'bars' | 'cloud';
  rows: readonly CandidateRow[];
  onPick: (key: string) => void;
}) {
  const { state } = useStudy();
  const tellFault = useTellFault();
  const [count, setCount] = useState(50);
  const [look, setLook] = useState<Look>({ order: 'middle', colours: false, sizes: SIZES });
  const { order, colours, sizes } = look;
  const themes = useView('themes', null, colours).data;
  const inks = useMemo(
    () =>
      new Map(
        (themes?.themes ?? []).flatMap(({ letter, concepts }) =>
          concepts.map(({ key }): [string, string] => [key, inkOf(letter)]),
        ),
      ),
    [themes],
  );
  const shown = useMemo(
    () =>
      rows
        .filter((row) => row.status === 'chosen' || row.status === 'kept')
        .sort((a, b) => b.mentions - a.mentions || (a.key < b.key ? -1 : 1))
        .slice(0, count),
    [rows, count],
  );
  const drawing = useMemo(() => {
    const title = `Concepts of ${state.title}`;
    const words = shown.map((row) => ({
      text: row.label,
      weight: row.mentions,
      ink: colours ? (inks.get(row.key) ?? NEUTRAL_INK) : undefined,
    }));
    if (kind === 'bars') return renderBars(words, title);
    return renderCloud(words, title, {
      order,
      smallest: sizes[0],
      largest: sizes[1] < SIZES[1] ? sizes[1] : undefined,
    });
  }, [kind, shown, state.title, order, colours, inks, sizes]);
  // The type comes with the picture, so that it looks the same wherever it is opened.
  const [font, setFont] = useState('');
  useEffect(() => {
    tellFault('The type was not found', async () => setFont(await embeddedFont()));
  }, [tellFault]);
  const picture = drawing.svg.replace('<title>', `<style>${font}</style><title>`);
  const address = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(picture)}`;
  return (
    <>
      <div className="centre-bar">
        <HowMany count={count} shown={shown.length} onChange={setCount} />
        {kind === 'cloud' && <CloudLook look={look} onChange={setLook} />}
        <SavePicture kind={kind} picture={picture} />
      </div>
      <img
        className={styles.wordPicture}
        src={address}
        width={drawing.width}
        height={drawing.height}
        alt={`${kind === 'bars' ? 'Bars' : 'Cloud'} of ${shown.length} concepts`}
      />
      <ol className={styles.wordPictureList} aria-label="The same words, to read">
        {shown.map((row) => (
          <li key={row.key}>
            <button type="button" className="linklike" onClick={() => onPick(row.key)}>
              {row.label}
            </button>{' '}
            <span className="quiet">{inFigures(row.mentions)}</span>
          </li>
        ))}
      </ol>
    </>
  );
}

/** How many words are shown, by a slider. */
function HowMany({
  count,
  shown,
  onChange,
}: {
  count: number;
  shown: number;
  onChange: (count: number) => void;
}) {
  return (
    <label className="control-row">
      Words
      <Slider
        className="context-slider"
        aria-label="Number of words"
        min={5}
        max={MOST}
        step={5}
        value={count}
        onChange={onChange}
      />
      {shown}
    </label>
  );
}

/** How a cloud is laid and coloured. */
function CloudLook({ look, onChange }: { look: Look; onChange: (look: Look) => void }) {
  return (
    <>
      <label className="control-row">
        Sizes
        <Slider
          range
          className="context-slider"
          aria-label="Smallest and largest type"
          min={6}
          max={SIZES[1]}
          value={[...look.sizes]}
          onChange={(next) => onChange({ ...look, sizes: [next[0], next[1]] })}
        />
      </label>
      <Select
        size="small"
        aria-label="Order of the cloud"
        value={look.order}
        options={[
          { value: 'middle', label: 'biggest in the middle' },
          { value: 'rows', label: 'in order, in rows' },
        ]}
        onChange={(order) => onChange({ ...look, order })}
      />
      <Checkbox
        checked={look.colours}
        onChange={(event) => onChange({ ...look, colours: event.target.checked })}
      >
        Colours of themes
      </Checkbox>
    </>
  );
}

/** Saves the picture, with pseudonyms in the place of names. */
function SavePicture({ kind, picture }: { kind: 'bars' | 'cloud'; picture: string }) {
  const { state } = useStudy();
  const tellFault = useTellFault();
  const { renameAnyCase } = useRenamer();
  return (
    <>
      <Button
        size="small"
        onClick={() =>
          download(
            fileName(renameAnyCase(`${state.title} ${kind}`), '.svg'),
            withDrawnWords(picture, renameAnyCase),
            'image/svg+xml',
          )
        }
      >
        Save as SVG
      </Button>
      <Button
        size="small"
        onClick={() =>
          tellFault('The picture was not saved', async () =>
            download(
              fileName(renameAnyCase(`${state.title} ${kind}`), '.png'),
              await svgToPng(withDrawnWords(picture, renameAnyCase), 2),
              'image/png',
            ),
          )
        }
      >
        Save as PNG
      </Button>
    </>
  );
}
