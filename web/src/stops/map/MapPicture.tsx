import { Button, Checkbox, Popover } from 'antd';
import { useState } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { withDrawnWords } from '@green-thicket/core/formats/write/document';
import { renderMap } from '@green-thicket/core/map/render';
import type { MapScene } from '@green-thicket/core/map/scene';
import { methodSentences, sentenceText } from '@green-thicket/core/words/sentences';
import { useView } from '../../engine/use-view.ts';
import { keepDrawing } from '../../pieces/drawings.ts';
import { SaveMenu } from '../../pieces/SaveMenu.tsx';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useRenamer } from '../../pieces/use-renamer.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { FocusBox } from '../../pieces/FocusBox.tsx';
import styles from './MapStop.module.css';

const LEGEND =
  'A parcel is a theme; a word is a concept, the bar under it its mentions. Curves are links within a theme, dotted ones bridges between themes.';

/** The map as a picture, with what is to stand round it; or on paper. */
export function MapPicture({ scene }: { scene: MapScene }) {
  const { state } = useStudy();
  const words = useView('wordsOnTrail', null).data;
  const concepts = useView('conceptsOnTrail', null).data;
  const links = useView('linksOnTrail', null).data;
  const themes = useView('themesOnTrail', null).data;
  const network = useNetwork();
  const tellFault = useTellFault();
  const { renameAnyCase } = useRenamer();
  const [with_, setWith] = useState<readonly string[]>([]);
  const [isOpen, setOpen] = useState(false);
  const has = (what: string): boolean => with_.includes(what);
  const foot = (): string[] => [
    ...(has('legend') ? [network ? LEGEND.replace('its mentions', 'the weight of its links') : LEGEND] : []),
    ...(has('method') ? [sentenceText(methodSentences(state).map)] : []),
    ...(has('counts') && (words || network) && concepts && links && themes
      ? [
          `${words ? `${counted(state.sources.length, 'source')}, ${counted(words.words, 'word')}, ` : ''}${counted(concepts.concepts, 'concept')}, ${counted(links.links, 'link')}, ${counted(themes.themes, 'theme')}.`,
        ]
      : []),
    ...(has('date') ? [`Drawn ${new Date().toISOString().slice(0, 10)}.`] : []),
  ];
  const drawing = (): string =>
    withDrawnWords(
      renderMap(scene, state.title, { foot: foot(), head: has('title'), greyscale: has('grey') }),
      renameAnyCase,
    );
  const saveSvg = (): void =>
    tellFault('The picture was not saved', () =>
      keepDrawing(renameAnyCase(`${state.title} map`), drawing(), 'svg'),
    );
  return (
    <>
      <Popover
        trigger="click"
        open={isOpen}
        onOpenChange={setOpen}
        content={
          <FocusBox label="What stands on the picture" className="control-box" onClose={() => setOpen(false)}>
            <div className="control-column">
              <Checkbox.Group
                className="control-column"
                value={[...with_]}
                options={[
                  { value: 'title', label: 'the study’s title' },
                  { value: 'legend', label: 'what the signs mean' },
                  { value: 'method', label: 'the method sentence' },
                  { value: 'counts', label: 'how much went in' },
                  { value: 'date', label: 'today’s date' },
                  { value: 'grey', label: 'in greyscale' },
                ]}
                onChange={setWith}
              />
            </div>
          </FocusBox>
        }
      >
        <Button size="small" className={styles.onPicture}>
          On the picture
        </Button>
      </Popover>
      <Button size="small" onClick={saveSvg}>
        Save SVG
      </Button>
      <Button
        size="small"
        title="The browser’s print window; it saves as PDF too"
        onClick={() => window.print()}
      >
        Print
      </Button>
      <SaveMenu name="map" drawing={drawing} label="Save PNG" />
    </>
  );
}
