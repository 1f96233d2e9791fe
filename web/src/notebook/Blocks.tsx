import type { Block, Run } from '@green-thicket/core/formats/write/document';
import { Drawing, PrintedTable } from './ShownFigure.tsx';
import styles from './Blocks.module.css';

const Words = ({ runs }: { runs: readonly Run[] }) =>
  runs.map(({ text, bold, italic }, i) => {
    const words = italic ? <em key={i}>{text}</em> : text;
    return bold ? <strong key={i}>{words}</strong> : words;
  });

function Part({ block }: { block: Block }) {
  switch (block.kind) {
    case 'heading': {
      // The dialog it is shown in has the first heading.
      const Level = block.level === 1 ? 'h2' : block.level === 2 ? 'h3' : 'h4';
      return <Level>{block.text}</Level>;
    }
    case 'paragraph':
      return (
        <p>
          <Words runs={block.runs} />
        </p>
      );
    case 'quote':
      return (
        <blockquote>
          <Words runs={block.runs} />
          <cite>{block.source}</cite>
        </blockquote>
      );
    case 'list':
      return (
        <ul>
          {block.items.map((item, i) => (
            <li key={i}>
              <Words runs={item} />
            </li>
          ))}
        </ul>
      );
    case 'table':
      return <PrintedTable {...block} />;
    case 'picture':
      return (
        <figure className={styles.reportFigure}>
          <Drawing svg={block.svg} alt={block.alt} />
          <figcaption>{block.caption}</figcaption>
        </figure>
      );
  }
}

/** A document as it will be read. */
export function Blocks({ blocks }: { blocks: readonly Block[] }) {
  return (
    <article className={styles.reportDocument}>
      {blocks.map((block, i) => (
        <Part key={i} block={block} />
      ))}
    </article>
  );
}
