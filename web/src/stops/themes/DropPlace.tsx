import { useState, type CSSProperties, type ReactNode } from 'react';
import { dropped, isDragged, type Dragged } from './theme-decisions.ts';
import styles from './ThemesStop.module.css';

/** A place that concepts and themes can be dropped on. */
export function DropPlace({
  label,
  className,
  style,
  onDropped,
  children,
}: {
  label: string;
  className: string;
  style?: CSSProperties;
  onDropped: (what: Dragged) => void;
  children: ReactNode;
}) {
  const [isOver, setOver] = useState(false);
  return (
    <section
      aria-label={label}
      className={isOver ? `${className} ${styles.isOver}` : className}
      style={style}
      onDragOver={(event) => {
        if (!isDragged(event.dataTransfer)) return;
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget as Node | null)) setOver(false);
      }}
      onDrop={(event) => {
        setOver(false);
        const what = dropped(event.dataTransfer);
        if (!what) return;
        event.preventDefault();
        onDropped(what);
      }}
    >
      {children}
    </section>
  );
}
