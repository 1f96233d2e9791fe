import type { StudySource } from '@green-thicket/core/study/study';

/** A source’s name without its ending, and its attributes, as the head of a passage. */
export function SourceHead({ source }: { source: StudySource }) {
  return (
    <>
      <strong>{source.name.replace(/\.[a-z]{2,8}$/i, '')}</strong>
      {Object.values(source.attributes)
        .filter((value) => value !== '')
        .slice(0, 3)
        .map((value, i) => (
          <span key={i}>{value}</span>
        ))}
    </>
  );
}
