import type { Piece } from '../../text/reading-part.ts';
import type { AttributeType } from '../attributes.ts';
import type { Subset } from '../subset.ts';
import type { SourceSettings, SpeakerSettings, StudySource } from '../study.ts';
import { ownValue, withoutWords } from '../../base/records.ts';
import { LONGEST } from '../limits.ts';
import { linksIn, MOST_NODES, type OtherNetwork } from '../../network/elsewhere.ts';
import { changeSettings, type Appliers, type FieldsOf, type Sayers, type SchemaFields } from './kinds.ts';

/** Decisions about which texts there are and which of them are read. */
export type SourceDecision =
  | { readonly kind: 'renameStudy'; readonly title: string }
  | {
      readonly kind: 'addSources';
      readonly sources: readonly StudySource[];
      /** What is worth knowing of how they came in, such as how many rows of a table had no text. */
      readonly note?: string;
      /** Types of attributes that came with them. */
      readonly types?: Readonly<Record<string, AttributeType>>;
    }
  /** Source id → the sources that take its place: sections of it, or what each of its speakers said. */
  | { readonly kind: 'splitSources'; readonly parts: Readonly<Record<string, readonly StudySource[]>> }
  /** Source id → the pieces of its text that are not read. */
  | { readonly kind: 'setCuts'; readonly cuts: Readonly<Record<string, readonly Piece[]>> }
  | { readonly kind: 'removeSources'; readonly ids: readonly string[] }
  /** A network that was made elsewhere is worked with, or no longer. */
  | { readonly kind: 'openNetwork'; readonly network: OtherNetwork | null }
  | { readonly kind: 'setSources'; readonly change: Partial<SourceSettings> }
  /** Who speaks in each source, by source id; kept as an attribute. */
  | {
      readonly kind: 'tellPersons';
      readonly attribute: string;
      readonly persons: Readonly<Record<string, string>>;
    }
  | { readonly kind: 'keepSubset'; readonly name: string; readonly subset: Subset }
  | { readonly kind: 'forgetSubset'; readonly name: string }
  | { readonly kind: 'setSpeakers'; readonly change: Partial<SpeakerSettings> };

export const SOURCE_APPLY: Appliers<SourceDecision> = {
  renameStudy: (state, decision) => ({ ...state, title: decision.title }),
  addSources: (state, decision) => ({
    ...state,
    sources: withSources(state.sources, decision.sources),
    attributeTypes: { ...decision.types, ...state.attributeTypes },
  }),
  splitSources: (state, decision) => ({
    ...state,
    sources: withParts(state.sources, decision.parts),
  }),
  setCuts(state, decision) {
    return {
      ...state,
      sources: state.sources.map((source) => {
        const cuts = ownValue(decision.cuts, source.id);
        return cuts === undefined ? source : { ...source, cuts };
      }),
    };
  },
  removeSources: (state, decision) => ({
    ...state,
    sources: state.sources.filter((source) => !decision.ids.includes(source.id)),
  }),
  openNetwork: (state, { network }) => ({ ...state, network }),
  setSources: (state, decision) => changeSettings(state, 'sources', decision.change),
  tellPersons: (state, { attribute, persons }) =>
    changeSettings(
      {
        ...state,
        sources: state.sources.map((source) => {
          const person = ownValue(persons, source.id);
          return person === undefined
            ? source
            : { ...source, attributes: { ...source.attributes, [attribute]: person } };
        }),
      },
      'sources',
      { person: attribute },
    ),
  keepSubset: (state, decision) => ({
    ...state,
    subsets: { ...state.subsets, [decision.name]: decision.subset },
  }),
  forgetSubset: (state, decision) => ({
    ...state,
    subsets: withoutWords(state.subsets, (name) => name === decision.name),
  }),
  setSpeakers: (state, decision) => changeSettings(state, 'speakers', decision.change),
};

export const SOURCE_SAY: Sayers<SourceDecision> = {
  renameStudy: (decision) => `name the study ${decision.title}`,
  addSources: (decision) =>
    decision.sources.length === 1
      ? `add ${decision.sources[0].name}`
      : `add ${decision.sources.length} sources`,
  splitSources(decision) {
    const lists = Object.values(decision.parts);
    const parts = lists.reduce((sum, list) => sum + list.length, 0);
    return `split ${lists.length === 1 ? 'a source' : `${lists.length} sources`} into ${parts}`;
  },
  setCuts(decision) {
    const count = Object.keys(decision.cuts).length;
    return `trim ${count} ${count === 1 ? 'source' : 'sources'}`;
  },
  removeSources: (decision) =>
    `remove ${decision.ids.length} ${decision.ids.length === 1 ? 'source' : 'sources'}`,
  openNetwork: ({ network }) =>
    network === null ? 'take the network out' : `open the network ${network.name}`,
  setSources: ({ change }) =>
    change.subset
      ? 'change the subset'
      : change.person === undefined
        ? 'say how dates are written'
        : change.person === '' || change.person === null
          ? 'say that each source is somebody else’s'
          : `say who speaks by ${change.person}`,
  tellPersons: ({ persons }) =>
    `say that ${Object.keys(persons).length} sources are of ${new Set(Object.values(persons)).size} people`,
  keepSubset: (decision) => `keep the subset ${decision.name}`,
  forgetSubset: (decision) => `forget the subset ${decision.name}`,
  setSpeakers: (decision) => (decision.change.leftOut ? 'change who is left out' : 'give speakers roles'),
};

/** What a file may hold of them; handed what checks, which the page does without until something is decided. */
export const sourceDecisionSchemas = ({
  Joi,
  key,
  concept,
  id,
  pieces,
  attributeType,
  subset,
  source,
  settingsChange,
}: SchemaFields): FieldsOf<SourceDecision> => ({
  renameStudy: { title: key.required() },
  addSources: {
    // None are left where a study file was opened without those that were damaged.
    sources: Joi.array().items(source).max(100_000).required(),
    note: Joi.string().allow('').max(LONGEST.remark),
    types: Joi.object().pattern(key, attributeType),
  },
  splitSources: {
    parts: Joi.object().pattern(id, Joi.array().items(source).max(100_000)).required(),
  },
  setCuts: { cuts: Joi.object().pattern(id, pieces).required() },
  removeSources: { ids: Joi.array().items(id).required() },
  openNetwork: {
    network: Joi.object<OtherNetwork>({
      name: key.required(),
      concepts: Joi.array().items(concept).min(2).max(MOST_NODES).required(),
      links: Joi.string().max(LONGEST.links).required(),
    })
      .custom(checkNetwork)
      .allow(null)
      .required(),
  },
  setSources: { change: settingsChange('sources') },
  tellPersons: { attribute: key.required(), persons: Joi.object().pattern(id, key).required() },
  keepSubset: { name: key.required(), subset: subset.required() },
  forgetSubset: { name: key.required() },
  setSpeakers: { change: settingsChange('speakers') },
});

/** A network as it is, or an Error that says what is wrong with it. */
function checkNetwork(network: OtherNetwork): OtherNetwork {
  if (new Set(network.concepts).size < network.concepts.length) throw new Error('a concept stands twice');
  linksIn(network);
  return network;
}

/** Sources with more of them; one that is there already is not there twice. */
function withSources(sources: readonly StudySource[], more: readonly StudySource[]): readonly StudySource[] {
  const ids = new Set(sources.map(({ id }) => id));
  const fresh = more.filter(({ id }) => !ids.has(id) && ids.add(id));
  return fresh.length === 0 ? sources : [...sources, ...fresh];
}

/** Sources some of which are parted; a part that is there already is not there twice. */
function withParts(
  sources: readonly StudySource[],
  parts: Readonly<Record<string, readonly StudySource[]>>,
): readonly StudySource[] {
  const ids = new Set(sources.map(({ id }) => id).filter((id) => ownValue(parts, id) === undefined));
  return sources.flatMap((source) => {
    const own = ownValue(parts, source.id);
    return own === undefined ? [source] : own.filter(({ id }) => !ids.has(id) && ids.add(id));
  });
}
