import { isBeyondChance } from '@green-thicket/core/base/beyond-chance';
import { couldBeDates } from '@green-thicket/core/study/attributes';
import { Button } from 'antd';
import { useRef, useState } from 'react';
import { largest } from '@green-thicket/core/base/extent';
import { PERIODS, type Period } from '@green-thicket/core/base/periods';
import { counted } from '@green-thicket/core/base/wording';
import { DRAWN } from '../../pieces/drawn-colours.ts';
import { attributeNames } from '@green-thicket/core/study/groups';
import { shownSources } from '@green-thicket/core/study/subset';
import { ownValue } from '@green-thicket/core/base/records';
import type { OverTimeView, RowsAsked } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { SaveMenu } from '../../pieces/SaveMenu.tsx';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { rowKey } from './faces.ts';
import { canLookInto, DASHES, drawingOfPanels, TimePanel } from './TimePanel.tsx';
import { PeriodColumns } from './PeriodColumns.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './OverTime.module.css';

/** So many periods are no course to draw a line through: they stand as columns. */
const MOST_COLUMNS = 2;
const MOST_LINES = DASHES.length;

const SMOOTHINGS = [
  { value: 0, label: 'as it is' },
  { value: 1, label: 'mean of three periods' },
  { value: 2, label: 'mean of five periods' },
];

/** Strength by period: a small picture for each row, with intervals, the mean as a line, and gaps where nobody speaks. */
export function OverTime({ rows }: { rows: RowsAsked }) {
  const { state, decide } = useStudy();
  const dated = attributeNames(shownSources(state)).filter(
    (name) => ownValue(state.attributeTypes, name) === 'date',
  );
  const [dates, setDates] = useState<string>();
  const attribute = dates !== undefined && dated.includes(dates) ? dates : dated[0];
  if (attribute === undefined) {
    const sources = shownSources(state);
    const couldBe = attributeNames(sources).filter((name) =>
      couldBeDates(sources.map(({ attributes }) => ownValue(attributes, name) ?? '')),
    );
    return (
      <div className="empty-centre">
        <h2>No dates yet</h2>
        <p>
          Give the sources a date at Sources: an attribute whose kind is “date”, typed, read from a table,
          from file names or out of the texts’ heads.
        </p>
        {couldBe.length > 0 && (
          <p>
            {couldBe.length === 1 ? 'This column' : 'These columns'} could be one:{' '}
            {couldBe.map((name) => (
              <Button
                key={name}
                size="small"
                title="Takes its values for dates; undone like any other decision"
                onClick={() => decide({ kind: 'setAttributeType', attribute: name, type: 'date' })}
              >
                {name}
              </Button>
            ))}
          </p>
        )}
      </div>
    );
  }
  return <ByPeriod key={attribute} rows={rows} dates={attribute} dated={dated} onDates={setDates} />;
}

function ByPeriod({
  rows,
  dates,
  dated,
  onDates,
}: {
  rows: RowsAsked;
  dates: string;
  dated: readonly string[];
  onDates: (dates: string) => void;
}) {
  const [spans, setSpans] = useState<readonly string[]>([]);
  const [how, setHow] = useState<How>({ period: null, byGroup: false, reach: 0 });
  const span = spans[spans.length - 1] ?? '';
  const asked = { rows, dates, span, period: how.period, byGroup: how.byGroup };
  const { data, isPlaceholderData } = useView('overTime', asked);
  useShownFigure({ kind: 'time', asked });
  const board = useRef<HTMLDivElement>(null);
  if (!data) return <p className="quiet">Putting strength by period …</p>;
  const shown = data.courses.slice(0, MOST_LINES);
  const lookInto = (name: string): void => {
    setHow({ ...how, period: null });
    setSpans([...spans, name]);
  };
  // Two waves years apart are two periods: those between in which nobody spoke are not waited for.
  const spoken = data.courses.length === 1 ? spokenPeriods(data) : [];
  const isColumns = spoken.length > 0 && spoken.length <= MOST_COLUMNS;
  const most = largest(
    shown.flatMap(({ periods, mean }) => [
      ...periods.flatMap(({ strengths }) => strengths.map(({ high }) => high)),
      ...mean.map(({ share }) => share),
    ]),
    0.02,
  );
  return (
    <div className={isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}>
      <div className="centre-bar">
        <TimeControls
          dated={dated}
          dates={dates}
          onDates={onDates}
          as={data.period}
          how={how}
          onHow={setHow}
        />
        <SaveMenu
          name={`Over time by ${data.period}`}
          table={() => tableOf(data)}
          drawing={() => drawingOfPanels(board.current)}
        />
      </div>
      <Spans data={data} spans={spans} onSpans={setSpans} />
      {how.byGroup && <Legend groups={shown.map(({ group }) => group)} />}
      {isColumns && <PeriodColumns data={data} spoken={spoken} dates={dates} onSpan={lookInto} />}
      <div className={styles.timeBoard} ref={board} hidden={isColumns}>
        {data.rows.map((row, r) => (
          <TimePanel
            key={rowKey(row)}
            data={data}
            row={r}
            courses={shown}
            most={most}
            reach={how.reach}
            dates={dates}
            onSpan={lookInto}
          />
        ))}
      </div>
    </div>
  );
}

/** The places of the periods that hold any words, in order of time. */
const spokenPeriods = ({ periods, courses }: OverTimeView): number[] =>
  periods.map((_, p) => p).filter((p) => courses.some((course) => course.periods[p].windows > 0));

/** What periods are looked at by, and how their lines are drawn. */
interface How {
  /** Length of a period; null as suits the span. */
  readonly period: Period | null;
  readonly byGroup: boolean;
  /** Periods to either side that a smoothed line takes in. */
  readonly reach: number;
}

function TimeControls({
  dated,
  dates,
  onDates,
  as,
  how,
  onHow,
}: {
  dated: readonly string[];
  dates: string;
  onDates: (dates: string) => void;
  /** The period that the texts are put by. */
  as: Period;
  how: How;
  onHow: (how: How) => void;
}) {
  return (
    <>
      {dated.length > 1 && (
        <Select
          size="small"
          aria-label="Dates of"
          value={dates}
          options={dated.map((name) => ({ value: name, label: name }))}
          onChange={onDates}
        />
      )}
      <Select
        size="small"
        aria-label="Length of a period"
        popupMatchSelectWidth={false}
        value={how.period ?? 'auto'}
        options={[
          { value: 'auto', label: `by ${as}, as suits the span` },
          ...PERIODS.map((each) => ({ value: each, label: `by ${each}` })),
        ]}
        onChange={(value: string) =>
          onHow({ ...how, period: PERIODS.find((each) => each === value) ?? null })
        }
      />
      <Select
        size="small"
        aria-label="Lines"
        popupMatchSelectWidth={false}
        value={how.byGroup ? 'groups' : 'all'}
        options={[
          { value: 'all', label: 'all sources together' },
          { value: 'groups', label: 'a line for each group' },
        ]}
        onChange={(value) => onHow({ ...how, byGroup: value === 'groups' })}
      />
      <Select
        size="small"
        aria-label="Smoothing"
        title="A smoothed line stands beside the points, which stay what they are"
        popupMatchSelectWidth={false}
        value={how.reach}
        options={SMOOTHINGS}
        onChange={(reach) => onHow({ ...how, reach })}
      />
    </>
  );
}

/** The way from all of the time to what is looked into, with what is not drawn. */
function Spans({
  data,
  spans,
  onSpans,
}: {
  data: OverTimeView;
  spans: readonly string[];
  onSpans: (spans: readonly string[]) => void;
}) {
  return (
    <p className={`quiet ${styles.timeSpans}`}>
      <button type="button" className="linklike" disabled={spans.length === 0} onClick={() => onSpans([])}>
        All of {data.from.slice(0, 4) || 'time'}
        {data.to.slice(0, 4) !== data.from.slice(0, 4) && spans.length === 0 && ` to ${data.to.slice(0, 4)}`}
      </button>
      {spans.map((each, i) => (
        <span key={each}>
          {' › '}
          <button
            type="button"
            className="linklike"
            disabled={i === spans.length - 1}
            onClick={() => onSpans(spans.slice(0, i + 1))}
          >
            {each}
          </button>
        </span>
      ))}
      {data.undated > 0 && ` · ${counted(data.undated, 'source')} without a date`}
      {data.courses.length > MOST_LINES &&
        ` · the first ${MOST_LINES} of ${data.courses.length} groups are drawn; join or leave out groups in the sentence above`}
      {isWithoutTrend(data) && ' · no row changes steadily beyond chance'}
      {hasLonePeriods(data) && ' · periods of one source are judged by how the sources of all periods differ'}
      {data.periods.length > 0 && canLookInto(data) && ' · pick the name of a period to look into it'}{' '}
      <HowFound page="comparison" heading="Over time" />
    </p>
  );
}

/** Whether steady changes were tested, and none is beyond chance. */
const isWithoutTrend = ({ courses }: OverTimeView): boolean =>
  courses.length === 1 &&
  courses[0].trends.length > 0 &&
  courses[0].trends.every(({ q }) => !isBeyondChance(q));

/** Whether a period has one source only. */
const hasLonePeriods = ({ courses }: OverTimeView): boolean =>
  courses.some(({ periods }) =>
    periods.some(({ windows, interval }) => windows > 0 && interval !== 'sources'),
  );

/** Which dash is which group. */
function Legend({ groups }: { groups: readonly string[] }) {
  return (
    <p className={styles.timeLegend}>
      {groups.map((group, i) => (
        <span key={group}>
          <svg width={34} height={10} aria-hidden="true">
            <line
              x1={0}
              x2={34}
              y1={5}
              y2={5}
              stroke={DRAWN.moss}
              strokeWidth={2}
              strokeDasharray={DASHES[i]}
            />
            {i === 0 ? (
              <circle cx={17} cy={5} r={3.5} fill={DRAWN.moss} />
            ) : (
              <circle cx={17} cy={5} r={3} fill={DRAWN.paper} stroke={DRAWN.moss} />
            )}
          </svg>{' '}
          {group}
        </span>
      ))}
    </p>
  );
}

function tableOf({ rows, courses, periods, period }: OverTimeView) {
  return {
    head: [
      ...['letter', 'row', 'group', period, 'strength', 'low', 'high', 'stretches', 'sources'],
      ...['change', 'change_q'],
    ],
    rows: rows.flatMap(({ letter, label }, r) =>
      courses.flatMap((course) =>
        course.periods.map(({ strengths, windows, sources }, i) => [
          letter,
          label,
          course.group,
          periods[i],
          strengths[r]?.share ?? '',
          strengths[r]?.low ?? '',
          strengths[r]?.high ?? '',
          windows,
          sources,
          course.trends[r]?.change ?? '',
          course.trends[r]?.q ?? '',
        ]),
      ),
    ),
  };
}
