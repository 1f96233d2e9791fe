import { exampleStudy, type ExampleStudy } from '../examples.ts';

export const TALK = [
  'Rain came and the shelter leaked. The bench was wet from rain. On 4/5/2031 the shelter stood in the rain.',
  'The fare rose. The wage did not, and the fare hurt. The last bus took the wage and the fare.',
];
/** Who speaks, what they are, and when: small, with something for every view. */
export const begun = (): ExampleStudy => {
  const study = exampleStudy(
    Array.from({ length: 6 }, (_, i) => ({
      name: `s${i}.txt`,
      text: `Ada: What of it?\n\nBen: ${TALK[i % 2]}\n\nBen: ${TALK[i % 2]} ${TALK[(i >> 1) % 2]}\n\nBen: ${TALK[i % 2]}`,
      attributes: {
        role: i % 2 ? 'driver' : 'resident',
        wave: i < 3 ? 'before' : 'after',
        age: `${30 + i}`,
        day: `2031-0${1 + (i % 3)}-1${i}`,
      },
    })),
  );
  study.decide({ kind: 'setThemes', change: { runs: 3 } });
  // Its few sentences stand in many sources.
  study.decide({ kind: 'setWindows', change: { repeated: true } });
  study.decide({ kind: 'setConcepts', change: { minimumMentions: 2 } });
  // Too little for chance to be told; a theme needs a link.
  study.decide({ kind: 'setLinks', change: { maximumQ: 1 } });
  return study;
};
const { sources } = begun().state;
export const [first, second] = sources;
export const added = exampleStudy([{ name: 'new.txt', text: TALK.join(' '), attributes: { role: 'depot' } }])
  .state.sources[0];
