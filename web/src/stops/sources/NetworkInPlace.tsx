import { Link } from 'react-router';
import { MOST_TAKEN, type OtherNetwork } from '@green-thicket/core/network/elsewhere';
import { counted } from '@green-thicket/core/base/wording';
import { useStudy } from '../../pieces/study-context.ts';

/** What a study of a network without texts is, what can be done with it, and what can’t. */
export function NetworkInPlace({ network: { name, concepts, links } }: { network: OtherNetwork }) {
  const { id, decide } = useStudy();
  return (
    <div className="empty-centre">
      <h2>A network without texts</h2>
      <p>
        {name}: {counted(concepts.length, 'concept')} and {counted(links.split('\n').length, 'link')}, by
        their weights
        {concepts.length > MOST_TAKEN && `; the ${MOST_TAKEN} with the strongest links are worked with`}.
      </p>
      <p>
        <b>What can be done.</b> Its themes are found, named, split, joined and locked, concepts moved, merged
        and dropped; it is drawn as a map, laid beside another grouping, and saved, all of it on record and
        undone like any decision.
      </p>
      <p>
        <b>What can’t be.</b> There are no passages to read, so nothing leads to the words people said.
        Whether a link is more than chance, how steady a theme is over sources, and who speaks to it are told
        by texts only.
      </p>
      <p>
        <Link to={`/study/${id}/map`}>See its map</Link>
        {' · '}
        <button
          type="button"
          className="linklike"
          onClick={() => decide({ kind: 'openNetwork', network: null })}
        >
          Take the network out
        </button>
      </p>
      <p className="quiet">Texts that are added take its place; it comes back where they are removed.</p>
    </div>
  );
}
