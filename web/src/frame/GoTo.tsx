import { Input, Modal } from 'antd';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { recordsInForce } from '@green-thicket/core/study/record';
import { describeDecision } from '@green-thicket/core/words/decisions';
import { methodSentences, STOPS } from '@green-thicket/core/words/sentences';
import { useView } from '../engine/use-view.ts';
import { WISHES, wishGround } from '../pieces/ground.ts';
import { useReturnFocus } from '../pieces/use-return-focus.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { toParams } from '../pieces/selection.ts';
import { STOPS_BY_NAME } from '../stops/stops.ts';
import { goToDecision } from '../store/studies.ts';
import { followToCentre } from '../pieces/focus-centre.ts';
import styles from './GoTo.module.css';

const MOST_SHOWN = 12;
const MOST_DECISIONS = 200;

/** Something one can go to. */
interface Place {
  readonly kind: string;
  readonly name: string;
  readonly go: () => void;
}

/** How well what was typed fits a name, the smaller the better; undefined where it does not. */
function fit(name: string, typed: string): number | undefined {
  const words = name.toLowerCase();
  const at = words.indexOf(typed);
  if (at < 0) return undefined;
  const begins = at === 0 || /[^\p{L}\p{N}]/u.test(words[at - 1]);
  return (at === 0 ? 0 : begins ? 1 : 2) + words.length / 1000;
}

/** All that can be gone to by its name. */
function usePlaces(onSetting: (label: string) => void): readonly Place[] {
  const { id, state, log } = useStudy();
  const navigate = useNavigate();
  const tellFault = useTellFault();
  const themes = useView('themes', null).data;
  return useMemo((): Place[] => {
    const to =
      (stop: string, params: Readonly<Record<string, string>> = {}) =>
      (): void => {
        const pathname = `/study/${id}/${stop}`;
        const follow = followToCentre(location.pathname === pathname);
        tellFault('It was not opened', async () => {
          await navigate({ pathname, search: new URLSearchParams(params).toString() });
          follow();
        });
      };
    const sentences = methodSentences(state);
    const concepts = [...(themes?.themes.flatMap((theme) => theme.concepts) ?? []), ...(themes?.loose ?? [])];
    return [
      ...STOPS.map((stop) => ({ kind: 'stop', name: STOPS_BY_NAME[stop].name, go: to(stop) })),
      ...(themes?.themes ?? []).map(({ letter, label }) => ({
        kind: 'theme',
        name: `${letter} ${label}`,
        go: to('themes', toParams({ kind: 'theme', letter })),
      })),
      ...concepts.map(({ key, label }) => ({
        kind: 'concept',
        name: label,
        go: to('concepts', toParams({ kind: 'concept', key })),
      })),
      ...STOPS.flatMap((stop) =>
        // Only those that stand in the sentence now can be gone to.
        sentences[stop].flatMap((part) => {
          if (typeof part === 'string' || !('control' in part)) return [];
          const control = STOPS_BY_NAME[stop].controls[part.control];
          if (!control) return [];
          const { label } = control;
          return {
            kind: `setting of ${STOPS_BY_NAME[stop].name}`,
            name: label,
            go: () => {
              to(stop)();
              onSetting(label);
            },
          };
        }),
      ),
      ...state.sources.map((source) => ({
        kind: 'source',
        name: source.name,
        go: to('sources', { source: source.id, at: '0' }),
      })),
      ...WISHES.map((wish) => ({
        kind: 'look of the page',
        name: { system: 'Colours as the system has them', light: 'Light colours', dark: 'Dark colours' }[
          wish
        ],
        go: () => wishGround(wish),
      })),
      ...recordsInForce(log)
        .reverse()
        .slice(0, MOST_DECISIONS)
        .map(({ seq, decision }) => ({
          kind: 'back to this decision',
          name: describeDecision(decision),
          go: () => tellFault('It was not gone back to', () => goToDecision(id, seq)),
        })),
    ];
  }, [id, log, navigate, onSetting, state, tellFault, themes]);
}

/** One field that goes to any stop, theme, concept, source, setting or decision by typing. */
export function GoTo({ onClose, onSetting }: { onClose: () => void; onSetting: (label: string) => void }) {
  useReturnFocus();
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const places = usePlaces(onSetting);
  const found = useMemo(() => {
    const wanted = typed.trim().toLowerCase();
    if (wanted === '') return places.slice(0, STOPS.length);
    return places
      .flatMap((place) => {
        const rank = fit(place.name, wanted);
        return rank === undefined ? [] : [{ place, rank }];
      })
      .sort((a, b) => a.rank - b.rank)
      .slice(0, MOST_SHOWN)
      .map(({ place }) => place);
  }, [places, typed]);
  const chosen = Math.min(at, found.length - 1);
  const go = (place: Place | undefined): void => {
    if (!place) return;
    onClose();
    place.go();
  };
  return (
    <Modal open title="Go to" footer={null} onCancel={onClose} width={560} focusTriggerAfterClose={false}>
      <Input
        autoFocus
        role="combobox"
        aria-label="Go to"
        aria-expanded
        aria-controls="go-to-places"
        aria-activedescendant={found.length > 0 ? `place-${chosen}` : undefined}
        placeholder="A stop, concept, theme, source, setting or decision"
        value={typed}
        maxLength={200}
        onChange={(event) => {
          setTyped(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(found.length - 1, chosen + 1));
          else if (event.key === 'ArrowUp') setAt(Math.max(0, chosen - 1));
          else if (event.key === 'Enter') go(found[chosen]);
          else return;
          event.preventDefault();
        }}
      />
      <ul id="go-to-places" role="listbox" aria-label="Places" className={`plain-list ${styles.places}`}>
        {found.map((place, i) => (
          <li
            key={`${place.kind} ${place.name} ${i}`}
            id={`place-${i}`}
            role="option"
            aria-selected={i === chosen}
            onClick={() => go(place)}
          >
            <span>{place.name}</span>
            <span className="quiet">{place.kind}</span>
          </li>
        ))}
      </ul>
      {found.length === 0 && (
        <p className="quiet">Nothing here is called that. Press / to search the texts.</p>
      )}
    </Modal>
  );
}
