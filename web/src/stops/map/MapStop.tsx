import { Segmented } from 'antd';
import { useState } from 'react';
import { SHEETS } from '@green-thicket/core/base/sheets';
import { counted } from '@green-thicket/core/base/wording';
import { useView } from '../../engine/use-view.ts';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useNetwork } from '../../pieces/use-network.ts';
import { ThemeLedger } from '../ThemeLedger.tsx';
import { BridgeList } from './BridgeList.tsx';
import { DifferenceMap } from './DifferenceMap.tsx';
import { GroupMaps } from './GroupMaps.tsx';
import { MapInWords } from './MapInWords.tsx';
import { MapPicture } from './MapPicture.tsx';
import { MapSheet, useMapSheet } from './MapSheet.tsx';
import { TimeMap } from './TimeMap.tsx';
import styles from './MapStop.module.css';
import { FirstNote } from '../../pieces/FirstNote.tsx';

const FACES = [
  { value: 'map', label: 'Map' },
  { value: 'groups', label: 'By group', title: 'The same ground for each group, side by side' },
  { value: 'difference', label: 'Difference', title: 'What each of two groups says more of' },
  { value: 'time', label: 'Through time', title: 'The map by periods, moved by hand or playing' },
] as const;
type Face = (typeof FACES)[number]['value'];

/** Map: parcels and words; zoom and pan; pick a concept, a link or a theme; save it as a picture. */
export function MapStop() {
  const network = useNetwork();
  const { data, isPlaceholderData } = useView('map', null);
  useShownFigure({ kind: 'map' });
  const { map } = useStudy().state.settings;
  const scene = data?.scene;
  const sheet = useMapSheet(scene?.sheet ?? SHEETS[map.sheet]);
  const [face, setFace] = useState<Face>('map');
  const isDrawn = (scene?.parcels.length ?? 0) > 0;
  const later = scene?.labels.filter((label) => label.zoom > sheet.zoom).length ?? 0;
  return (
    <InTurn>
      <ThemeLedger>
        {data && <BridgeList map={data} />}
        {data && isDrawn && <MapInWords map={data} />}
        {later > 0 && (
          <p className="quiet">
            {counted(later, 'word')} more {later === 1 ? 'comes' : 'come'} with zoom.
          </p>
        )}
        {scene && scene.hidden.length > 0 && (
          <p className="quiet">
            {counted(scene.hidden.length, 'word')} found no room in their parcel; Themes lists them.
          </p>
        )}
      </ThemeLedger>
      <main className={`centre ${styles.mapCentre}`} aria-label="Map">
        <FirstNote of="centre" />
        {data && isDrawn ? (
          <>
            <div className={styles.mapFaces}>
              {!network && (
                <Segmented
                  size="small"
                  aria-label="How to look at the map"
                  value={face}
                  options={[...FACES]}
                  onChange={setFace}
                />
              )}
              {face === 'map' && <MapPicture scene={data.scene} />}
            </div>
            {face === 'map' ? (
              <MapSheet map={data} isPast={isPlaceholderData} sheet={sheet} />
            ) : (
              <div className={styles.otherFace}>
                {face === 'groups' && <GroupMaps map={data} />}
                {face === 'difference' && <DifferenceMap map={data} />}
                {face === 'time' && <TimeMap map={data} />}
              </div>
            )}
          </>
        ) : (
          <NoMap isComing={!data} />
        )}
      </main>
    </InTurn>
  );
}

/** What stands where no map is, or none yet. */
function NoMap({ isComing }: { isComing: boolean }) {
  const { state } = useStudy();
  const network = useNetwork();
  if (state.sources.length === 0 && !network) {
    return (
      <div className="empty-centre">
        <h2>No map yet</h2>
        <p>Add texts at Sources; the map draws itself.</p>
      </div>
    );
  }
  if (isComing) {
    return (
      <div className="empty-centre">
        <p>Drawing the map …</p>
      </div>
    );
  }
  return (
    <div className="empty-centre">
      <h2>There is too little to draw</h2>
      <p>
        {network
          ? 'No themes were found. A lower resolution at Themes may help.'
          : 'No themes were found. More text, a longer window or a lower cut-off at Links would help.'}
      </p>
    </div>
  );
}
