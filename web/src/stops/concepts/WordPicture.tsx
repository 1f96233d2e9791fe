import { Button, Slider } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { drawBars, drawCloud } from '@green-thicket/core/map/word-picture';
import type { CandidateRow } from '@green-thicket/core/study/view-types';
import { useStudy } from '../../shell/study-context.ts';
import { useTellFault } from '../../shell/use-fault.ts';
import { download, fileName } from '../../store/save-file.ts';
import { embeddedFont, svgToPng } from '../map/export-picture.ts';

const MOST = 200;

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
  const shown = useMemo(
    () =>
      rows
        .filter((row) => row.status === 'chosen' || row.status === 'kept')
        .sort((a, b) => b.mentions - a.mentions || (a.key < b.key ? -1 : 1))
        .slice(0, count),
    [rows, count],
  );
  const drawing = useMemo(() => {
    const words = shown.map((row) => ({ text: row.label, weight: row.mentions }));
    return (kind === 'bars' ? drawBars : drawCloud)(words, `Concepts of ${state.title}`);
  }, [kind, shown, state.title]);
  // The type comes with the picture, so that it looks the same wherever it is opened.
  const [font, setFont] = useState('');
  useEffect(() => {
    void tellFault('The type was not found', async () => setFont(await embeddedFont()));
  }, [tellFault]);
  const picture = drawing.svg.replace('<title>', `<style>${font}</style><title>`);
  const address = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(picture)}`;
  return (
    <>
      <div className="stage-bar">
        <label className="control-row">
          Words
          <Slider
            className="context-slider"
            aria-label="Number of words"
            min={5}
            max={MOST}
            step={5}
            value={count}
            onChange={setCount}
          />
          {shown.length}
        </label>
        <Button
          size="small"
          onClick={() => download(fileName(`${state.title} ${kind}`, '.svg'), picture, 'image/svg+xml')}
        >
          Save as SVG
        </Button>
        <Button
          size="small"
          onClick={() =>
            void tellFault('The picture was not saved', async () =>
              download(
                fileName(`${state.title} ${kind}`, '.png'),
                await svgToPng(picture, drawing.width, drawing.height, 2),
                'image/png',
              ),
            )
          }
        >
          Save as PNG
        </Button>
      </div>
      <img
        className="word-picture"
        src={address}
        width={drawing.width}
        height={drawing.height}
        alt={`${kind === 'bars' ? 'Bars' : 'Cloud'} of ${shown.length} concepts`}
      />
      <ol className="word-picture-list" aria-label="The same words, to read">
        {shown.map((row) => (
          <li key={row.key}>
            <button type="button" className="linklike" onClick={() => onPick(row.key)}>
              {row.label}
            </button>{' '}
            <span className="quiet">{row.mentions.toLocaleString('en-GB')}</span>
          </li>
        ))}
      </ol>
    </>
  );
}
