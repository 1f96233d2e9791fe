import type { ReactNode } from 'react';
import type { Strength } from '@green-thicket/core/compare/strength';
import styles from './Track.module.css';

const share = (value: number, most: number): string => `${(100 * value) / most}%`;

/** A scale from nothing to `most`, as wide as it is given, with the mean of all. */
export function Track({ overall, most, children }: { overall: number; most: number; children?: ReactNode }) {
  return (
    <span className={styles.track}>
      <span className={styles.trackLine} />
      <span className={styles.trackMean} style={{ left: share(overall, most) }} />
      {children}
    </span>
  );
}

/** A strength with its interval; a button where it is to be picked by itself. */
Track.Mark = function Mark({
  strength: { share: strength, low, high },
  most,
  ink,
  label,
  title,
  lane = 0,
  isPicked = false,
  onPick,
}: {
  strength: Strength;
  most: number;
  /** Left out for one that does not stand out. */
  ink: string | undefined;
  label?: string;
  title?: string;
  /** Pixels below the line. */
  lane?: number;
  isPicked?: boolean;
  onPick?: () => void;
}) {
  const colour = ink ?? 'var(--faint)';
  const dot = ink ? styles.trackDot : `${styles.trackDot} ${styles.isFaintDot}`;
  const at = { left: share(strength, most), background: colour, marginTop: lane };
  return (
    <>
      <span
        className={styles.trackInterval}
        style={{
          left: share(low, most),
          width: share(high - low, most),
          background: colour,
          marginTop: lane,
        }}
      />
      {onPick ? (
        <button
          type="button"
          className={isPicked ? `${dot} here` : dot}
          style={at}
          aria-label={label}
          aria-pressed={isPicked}
          title={title}
          onClick={onPick}
        />
      ) : (
        <span className={dot} style={at} />
      )}
    </>
  );
};
