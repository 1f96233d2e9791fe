import { Drawer, Segmented } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { MEASURES } from '@green-thicket/core/network/measures';
import type { Stop } from '@green-thicket/core/words/sentences';
import { useView } from '../engine/use-view.ts';
import type { HelpPlace } from '../pieces/HowFound.tsx';
import { GroundChoice } from '../pieces/GroundChoice.tsx';
import { useReturnFocus } from '../pieces/use-return-focus.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { KEYS } from './keys-said.ts';
import styles from './Help.module.css';

/** The page about each stop. */
const PAGE_OF: Readonly<Record<Stop, string>> = {
  sources: 'from-files-to-paper',
  clean: 'from-files-to-paper',
  concepts: 'concepts',
  links: 'links',
  themes: 'themes',
  map: 'map',
  compare: 'comparison',
};
/** Help: the method in plain words, each measure with an example of this study, the keys; it opens at the stop one is at. */
export function Help({
  stop,
  place,
  onClose,
  onPath,
}: {
  stop: Stop;
  /** Where it opens, if that was asked. */
  place: HelpPlace | undefined;
  onClose: () => void;
  onPath: () => void;
}) {
  const [shown, setShown] = useState<'method' | 'measures' | 'keys'>('method');
  useReturnFocus();
  return (
    <Drawer title="Help" open onClose={onClose} size={560}>
      <div className="control-row">
        <Segmented
          aria-label="What help is about"
          value={shown}
          options={[
            { value: 'method', label: 'How it works' },
            { value: 'measures', label: 'Measures' },
            { value: 'keys', label: 'Keys' },
          ]}
          onChange={setShown}
        />
        <button type="button" className="linklike" onClick={onPath}>
          A walk through the stops
        </button>
      </div>
      {shown === 'method' && <Pages first={place ?? { page: PAGE_OF[stop] }} />}
      {shown === 'measures' && <MeasuresHere />}
      {shown === 'keys' && <KeyList />}
      <GroundChoice />
      <p className="quiet">
        <a href="/licences.txt" target="_blank" rel="noreferrer">
          What others made and this is built with
        </a>
        , with their licences.
      </p>
    </Drawer>
  );
}

/** The pages are large and come when help is first asked for. */
interface PagesModule {
  readonly PAGE_TITLES: readonly { readonly name: string; readonly title: string }[];
  readonly pageHtml: (name: string) => string;
}

function Pages({ first }: { first: { readonly page: string; readonly heading?: string } }) {
  const tellFault = useTellFault();
  const [pages, setPages] = useState<PagesModule>();
  const [page, setPage] = useState(first.page);
  const article = useRef<HTMLElement>(null);
  useEffect(() => {
    if (!pages || first.heading === undefined) return;
    const headings = Array.from(article.current?.querySelectorAll('h2') ?? []);
    const asked = headings.find((each) => each.textContent === first.heading);
    asked?.setAttribute('tabindex', '-1');
    asked?.scrollIntoView({ block: 'start' });
    asked?.focus({ preventScroll: true });
  }, [pages, first]);
  useEffect(() => {
    tellFault('The help could not be opened', async () => setPages(await import('./help-pages.ts')));
  }, [tellFault]);
  if (!pages) return <p className="quiet">Opening the help …</p>;
  return (
    <>
      <nav className={styles.helpPages} aria-label="Pages of the help">
        {pages.PAGE_TITLES.map(({ name, title }) => (
          <button
            key={name}
            type="button"
            className="linklike"
            aria-current={name === page ? 'page' : undefined}
            onClick={() => setPage(name)}
          >
            {title}
          </button>
        ))}
      </nav>
      <article
        ref={article}
        className={styles.helpPage}
        onClick={(event) => {
          const link = (event.target as HTMLElement).closest('a');
          if (!link) return;
          event.preventDefault();
          const [, name = ''] = /([\w-]+)\.md/.exec(link.getAttribute('href') ?? '') ?? [];
          if (pages.PAGE_TITLES.some((each) => each.name === name)) setPage(name);
        }}
        dangerouslySetInnerHTML={{ __html: pages.pageHtml(page) }}
      />
    </>
  );
}

function MeasuresHere() {
  const links = useView('links', { concept: null, limit: 1 }).data;
  const strongest = links?.rows.find(({ stands }) => stands);
  return (
    <dl className={styles.helpList}>
      {(Object.keys(MEASURES) as (keyof typeof MEASURES)[]).map((name) => (
        <div key={name}>
          <dt>{MEASURES[name].name}</dt>
          <dd>
            {MEASURES[name].help} <span className="quiet">{MEASURES[name].formula}</span>
            {strongest && (
              <p>
                {`Here, ${strongest.sourceLabel} and ${strongest.targetLabel} share ${counted(strongest.both, 'window')} of ${links?.windows ?? 0}: `}
                {name === 'count' ? strongest.both : strongest[name].toFixed(name === 'g2' ? 1 : 2)}.
              </p>
            )}
          </dd>
        </div>
      ))}
      <div>
        <dt>q</dt>
        <dd>
          The chance of such a find where there is nothing, adjusted for how many pairs were looked at
          (Benjamini and Hochberg 1995).
          {strongest && (
            <p>{`Here, for that link: ${(strongest.beyond === 'sources' ? strongest.qBetween : strongest.q).toPrecision(2)}.`}</p>
          )}
        </dd>
      </div>
      <div>
        <dt>Strength</dt>
        <dd>
          The share of a group’s stretches of about 50 words that speak to a theme, with the interval that
          holds it in 95 of 100 such studies (Wilson 1927, by how the sources differ).
        </dd>
      </div>
      <div>
        <dt>Comes back</dt>
        <dd>
          Would other sources have shown this theme? One half of them is drawn, and the other, again and
          again; concepts are chosen and grouped anew, and a theme is back where half of its concepts stand
          together. Said in words by how often fresh halves of real collections showed such themes: nearly
          always 99 of 100, mostly 86, now and then 42, seldom 30.
        </dd>
      </div>
    </dl>
  );
}

function KeyList() {
  return KEYS.map(({ where, keys }) => (
    <section key={where} aria-label={where}>
      <h3>{where}</h3>
      <dl className={styles.helpList}>
        {keys.map(([key, does]) => (
          <div key={key}>
            <dt>{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </section>
  ));
}
