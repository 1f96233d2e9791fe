import { isBeyondChance } from '@green-thicket/core/base/beyond-chance';
import { useState } from 'react';
import { largest } from '@green-thicket/core/base/extent';
import { counted, listed, percent } from '@green-thicket/core/base/wording';
import { DRAWN, inkOf } from '../../pieces/drawn-colours.ts';
import type { ToneView, Within } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useSelection } from '../../pieces/selection.ts';
import { sameSelection, sameWithin } from './faces.ts';
import { SaveMenu } from '../../pieces/SaveMenu.tsx';
import { ToneLists } from './ToneLists.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './Tone.module.css';

/** Aspects have a colour each beside their name; two of them are good and bad. */
const ASPECT_INKS = [DRAWN.success, DRAWN.error, ...['C', 'D', 'E', 'F'].map(inkOf)];
const BAR = 56;
/** Of fewer stretches a share says little. */
const FEW = 10;
const ALL = 'all sources';
const SIGNS: ReadonlyMap<string, string> = new Map([
  ['positive', '+'],
  ['negative', '−'],
]);

/** How people speak of each theme, by lists of words; each figure opens its passages and the words it stands on. */
export function Tone() {
  const [list, setList] = useState('');
  const { data, isPlaceholderData } = useView('tone', { list });
  useShownFigure({ kind: 'tone', list });
  const { selection, within } = useSelection();
  if (!data) return <p className="quiet">Listening to how it sounds …</p>;
  const name = data.lists.find((each) => each.name === list)?.name ?? data.lists[0].name;
  const toned = selection?.kind === 'stretches' ? selection : undefined;
  return (
    <div className={isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}>
      <div className="centre-bar">
        <Select
          size="small"
          aria-label="List"
          popupMatchSelectWidth={false}
          value={name}
          options={data.lists.map((each) => ({
            value: each.name,
            label: `${each.name}, ${counted(each.words, 'word')}${each.own ? ', yours' : ''}`,
          }))}
          onChange={setList}
        />
        <ToneLists lists={data.lists} onAdded={setList} />
        <SaveMenu name={`Tone by ${name}`} table={() => tableOf(data, name)} />
      </div>
      <p className={`quiet ${styles.toneCaution}`}>
        A list of words does not hear irony, and takes a topic’s own words for feelings: <i>safe</i> in a
        theme about fear, <i>crash</i> in one about traffic. Where lists differ, read. A negation, as in{' '}
        <i>not good</i>, turns a word round.
      </p>
      {data.aspects.includes('positive') && (
        <p className="quiet">
          + sounds good by this list, − sounds bad: the share of passages that do, with 95 % intervals.{' '}
          <HowFound page="comparison" heading="Tone" />
        </p>
      )}
      {data.themes.some(({ opposed }) => opposed.length > 0) && (
        <p className="quiet">
          <span className={styles.toneOpposed}>≠</span> Lists disagree here: passages that sound good by one
          sound bad by the other. Which and how many stands behind the mark.
        </p>
      )}
      <ToneTable data={data} name={name} />
      {toned?.tone && (
        <Words list={toned.tone.list} aspect={toned.tone.aspect} letter={toned.letter} within={within} />
      )}
    </div>
  );
}

/** What other lists make of the same passages. */
const opposedSaid = (opposed: ToneView['themes'][number]['opposed']): string =>
  opposed.map((other) => `${other.list} says the opposite of ${percent(other.share)}`).join('; ');

function ToneTable({ data, name }: { data: ToneView; name: string }) {
  const { selection, select, within } = useSelection();
  const groups = data.themes[0].comparison.groups;
  const most = largest(
    data.themes.flatMap(({ comparison }) =>
      comparison.groups.flatMap(({ strengths }) => strengths.map(({ share }) => share)),
    ),
    0.01,
  );
  return (
    <table className={styles.toneTones} aria-label={`Tone by ${name}`}>
      <thead>
        <tr>
          <th scope="col">Theme</th>
          {groups.map(({ group }) => (
            <th scope="col" key={group}>
              {group}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {data.themes.map(({ letter, label, comparison, opposed }) => {
          const differing = data.aspects.filter((_, a) => isBeyondChance(comparison.q[a]));
          return (
            <tr key={letter}>
              <th scope="row">
                <b style={{ color: letter === '' ? DRAWN.moss : inkOf(letter) }}>{letter}</b> {label}
                {opposed.length > 0 && (
                  <span
                    className={styles.toneOpposed}
                    aria-label={opposedSaid(opposed)}
                    title={opposedSaid(opposed)}
                  >
                    ≠
                  </span>
                )}
                {differing.length > 0 && (
                  <span className={`quiet ${styles.toneDoubt}`}>
                    groups differ beyond chance: {listed(differing)}
                  </span>
                )}
              </th>
              {comparison.groups.map(({ group, strengths, windows }, g) => (
                <td key={group}>
                  {windows === 0 && <span className="quiet">–</span>}
                  {windows > 0 &&
                    data.aspects.map((aspect, a) => {
                      const { share, low, high, speaking } = strengths[a];
                      const asked = {
                        kind: 'stretches',
                        letter,
                        keys: [],
                        tone: { list: name, aspect },
                      } as const;
                      const said = `${SIGNS.get(aspect) ?? aspect} ${percent(share)}${windows < FEW ? ` of ${windows}` : ''}`;
                      const here = sameSelection(selection, asked) && sameWithin(within, data.within[g]);
                      return (
                        <button
                          key={aspect}
                          type="button"
                          aria-pressed={here}
                          className={here ? styles.toneHere : undefined}
                          title={`${aspect}: ${percent(share)} (${percent(low)} to ${percent(high)}), ${speaking} of ${counted(windows, 'stretch', 'stretches')}`}
                          aria-label={`${label}, ${group}: ${said}, ${aspect}, interval ${percent(low)} to ${percent(high)}`}
                          onClick={() => select(asked, data.within[g])}
                        >
                          <svg width={BAR} height={12} aria-hidden="true">
                            <rect
                              width={(BAR * share) / Math.max(most, share)}
                              y={3}
                              height={6}
                              fill={ASPECT_INKS[a % ASPECT_INKS.length]}
                              opacity={0.75}
                            />
                            <line
                              x1={(BAR * low) / most}
                              x2={Math.min(BAR, (BAR * high) / most)}
                              y1={6}
                              y2={6}
                              stroke={DRAWN.ink}
                              opacity={0.6}
                            />
                          </svg>
                          <span className={windows < FEW ? 'quiet' : undefined}>{said}</span>
                        </button>
                      );
                    })}
                </td>
              ))}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** The words a figure stands on, with how often each. */
function Words({
  list,
  aspect,
  letter,
  within,
}: {
  list: string;
  aspect: string;
  letter: string;
  within: Within | undefined;
}) {
  const { data } = useView('toneWords', { list, aspect, letter, ...(within ? { within } : {}), limit: 40 });
  const { select } = useSelection();
  if (!data) return null;
  return (
    <section className={styles.toneWords} aria-label={`Words that make it ${aspect}`}>
      <h2>
        Words that make it {aspect} <span className="quiet">by {list}; a word opens where it is said</span>
      </h2>
      <p>
        {data.words.map(({ entry, times }) => (
          <button
            key={entry}
            type="button"
            className="linklike"
            onClick={() => select({ kind: 'search', query: `"${entry}"` }, within)}
          >
            {entry} <span className="quiet">{times}</span>
          </button>
        ))}
        {data.words.length === 0 && <span className="quiet">None.</span>}
      </p>
    </section>
  );
}

function tableOf({ themes, aspects }: ToneView, list: string) {
  return {
    head: ['letter', 'theme', 'group', 'list', 'aspect', 'share', 'low', 'high', 'stretches'],
    rows: themes.flatMap(({ letter, label, comparison }) =>
      comparison.groups.flatMap(({ group, strengths, windows }) =>
        aspects.map((aspect, a) => [
          letter,
          letter === '' ? ALL : label,
          group,
          list,
          aspect,
          strengths[a].share,
          strengths[a].low,
          strengths[a].high,
          windows,
        ]),
      ),
    ),
  };
}
