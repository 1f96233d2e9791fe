import { App, Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { shownSources } from '@green-thicket/core/study/subset';
import { useView } from '../../engine/use-view.ts';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { AttributeList } from './AttributeList.tsx';
import { BringIn } from './BringIn.tsx';
import { DateQuestion } from './DateQuestion.tsx';
import { PersonsQuestion } from './PersonsQuestion.tsx';
import { NetworkInPlace } from './NetworkInPlace.tsx';
import { SourceGrid } from './SourceGrid.tsx';
import { orderedRows, type RowOrder } from './row-order.ts';
import { SplitDialog } from './SplitDialog.tsx';
import { TrimDialog } from './TrimDialog.tsx';
import { WithdrawDialog } from './WithdrawDialog.tsx';
import { WorthALook } from './WorthALook.tsx';
import { FirstNote } from '../../pieces/FirstNote.tsx';

type Dialog = 'split' | 'trim' | 'withdraw';

/** Sources: the collection as rows with their lengths; attributes are columns edited in place. */
export function SourcesStop() {
  const { state, decide } = useStudy();
  const { data, isPlaceholderData } = useView('sources', null);
  useShownFigure(state.sources.length > 0 ? { kind: 'sources' } : undefined);
  const network = useNetwork();
  const { message } = App.useApp();
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [filter, setFilter] = useState('');
  const [order, setOrder] = useState<RowOrder>();
  const [dialog, setDialog] = useState<Dialog>();
  const working = shownSources(state);
  const words = useMemo(() => {
    // While new figures are made, those of before stand for sources that are gone or new.
    if (!data || data.words.length !== working.length) return undefined;
    return new Map(working.map((source, i) => [source.id, data.words[i]]));
  }, [data, working]);
  const rows = useMemo(() => orderedRows(state, words, filter, order), [state, words, filter, order]);
  const chosen = state.sources.filter((source) => ticked.has(source.id));
  const remove = (ids: readonly string[]): void => {
    decide({ kind: 'removeSources', ids });
    setTicked(new Set());
    void message.info(
      `${counted(ids.length, 'source')} removed. Undo brings ${ids.length === 1 ? 'it' : 'them'} back.`,
    );
  };
  const meant = chosen.length > 0 ? chosen : state.sources;
  return (
    <>
      <section className="ledger" aria-label="Collection">
        <FirstNote of="list" />
        <BringIn />
        {state.sources.length > 0 && (
          <InTurn>
            <AttributeList />
            <WorthALook />
          </InTurn>
        )}
      </section>
      <main className="centre" aria-label="Sources">
        <FirstNote of="centre" />
        {network ? (
          <NetworkInPlace network={network} />
        ) : state.sources.length === 0 ? (
          <div className="empty-centre">
            <h2>No sources yet</h2>
            <p>
              Drop files here, choose them, or paste a text. Interviews, answers, notes, documents: one file
              each, or a table with one answer a row.
            </p>
          </div>
        ) : (
          <InTurn>
            <div className="centre-bar">
              <Input
                className="short"
                size="small"
                allowClear
                aria-label="Find a source"
                placeholder="Find a source"
                value={filter}
                onChange={(event) => setFilter(event.target.value)}
              />
              <span className={`quiet words-note${data && isPlaceholderData ? ' dimmed' : ''}`}>
                {chosen.length > 0
                  ? `${chosen.length} ticked`
                  : data
                    ? `${inFigures(data.words.reduce((sum, each) => sum + each, 0))} words in ${inFigures(data.sentences)} sentences`
                    : 'counting words …'}
              </span>
              <SourceActions
                noneTicked={chosen.length === 0}
                onDialog={setDialog}
                onRemove={() => remove(chosen.map((source) => source.id))}
              />
            </div>
            <DateQuestion />
            <PersonsQuestion />
            <SourceGrid
              rows={rows}
              words={words}
              ticked={ticked}
              onTick={setTicked}
              order={order}
              onOrder={setOrder}
              onRemove={(id) => remove([id])}
            />
          </InTurn>
        )}
      </main>
      {dialog === 'split' && <SplitDialog sources={meant} onClose={() => setDialog(undefined)} />}
      {dialog === 'withdraw' && chosen.length > 0 && (
        <WithdrawDialog
          sources={chosen}
          onWithdrawn={() => setTicked(new Set())}
          onClose={() => setDialog(undefined)}
        />
      )}
      {dialog === 'trim' && <TrimDialog sources={meant} onClose={() => setDialog(undefined)} />}
    </>
  );
}

/** What is done with the sources that are ticked, or with all. */
function SourceActions({
  noneTicked,
  onDialog,
  onRemove,
}: {
  noneTicked: boolean;
  onDialog: (dialog: Dialog) => void;
  onRemove: () => void;
}) {
  return (
    <span className="centre-bar-end">
      <Button size="small" onClick={() => onDialog('split')}>
        Split …
      </Button>
      <Button size="small" onClick={() => onDialog('trim')}>
        Trim …
      </Button>
      <Button
        size="small"
        disabled={noneTicked}
        title={noneTicked ? 'Tick the sources to remove' : undefined}
        onClick={onRemove}
      >
        Remove
      </Button>
      <Button
        size="small"
        disabled={noneTicked}
        title={
          noneTicked
            ? 'Tick the sources of whoever withdraws'
            : 'Out of texts, decisions and Notebook for good, as where somebody withdraws'
        }
        onClick={() => onDialog('withdraw')}
      >
        Withdraw …
      </Button>
    </span>
  );
}
