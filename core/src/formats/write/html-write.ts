import { escapeXml } from '../../base/xml.ts';
import { cellText, isBroad, type Block, type Run } from './document.ts';

/** How the page looks, on a screen and on paper; the pictures bring their own colours. */
const STYLE = `:root{color-scheme:light}
body{margin:0;background:#fbfaf4;color:#26302a;font:17px/1.55 Literata,Georgia,'Times New Roman',serif}
main{max-width:46rem;margin:0 auto;padding:2rem 1.2rem 4rem}
h1,h2,h3,nav,table,figcaption,caption,cite{font-family:'Figtree Variable',Figtree,'Helvetica Neue',Arial,sans-serif}
h1{font-size:1.9rem;line-height:1.2;color:#23402f}
h2{font-size:1.35rem;margin-top:2.6rem;border-top:1px solid #d8d4c4;padding-top:1.2rem;color:#23402f}
h3{font-size:1.08rem;margin-top:1.8rem}
nav ul{padding-left:1.1rem}
a{color:#8c3d1f}
blockquote{margin:1rem 0;padding:0 0 0 1rem;border-left:3px solid #c9c3ae;white-space:pre-line}
blockquote cite{display:block;font-size:.85rem;font-style:normal;color:#4f574b}
figure{margin:1.4rem 0}
figure svg{display:block;max-width:100%;height:auto;border:1px solid #e2dfd2}
figcaption,caption{font-size:.85rem;color:#4f574b;text-align:left;padding:.4rem 0}
.wide{overflow-x:auto}
figure.broad{width:min(94vw,74rem);margin-left:50%;transform:translateX(-50%)}
@page broad{size:A4 landscape}
table{border-collapse:collapse;font-size:.85rem;margin:1rem 0;width:100%}
th,td{text-align:left;vertical-align:top;padding:.25rem .6rem .25rem 0;border-bottom:1px solid #e2dfd2}
td.number,th.number{text-align:right;font-variant-numeric:tabular-nums}
@media print{body{background:#fff;font-size:10.5pt}main{max-width:none;padding:0}nav{display:none}
h1,h2,h3,caption{break-after:avoid}figure,blockquote,tr{break-inside:avoid}h2{break-before:auto}.wide{overflow:visible}
figure.broad{page:broad;width:100%;margin-left:0;transform:none}figure.broad svg{max-height:160mm}}`;

/** A page that was saved runs nothing and loads nothing, whatever got into it. */
const POLICY =
  "default-src 'none'; style-src 'unsafe-inline'; font-src data:; base-uri 'none'; form-action 'none'";

function runHtml({ text, bold = false, italic = false }: Run): string {
  const words = escapeXml(text);
  const slanted = italic ? `<em>${words}</em>` : words;
  return bold ? `<strong>${slanted}</strong>` : slanted;
}
const runsHtml = (runs: readonly Run[]): string => runs.map(runHtml).join('');

/** The same drawing with names of its own: two drawings on a page must not share theirs. */
function standingAlone(svg: string, number: number): string {
  const own = (name: string): string => `p${number}-${name}`;
  return svg
    .replace(/<style>[\s\S]*?<\/style>/g, '')
    .replace(/ id="([^"]+)"/g, (_, name: string) => ` id="${own(name)}"`)
    .replace(/url\(#([^)]+)\)/g, (_, name: string) => `url(#${own(name)})`);
}

function tableHtml({ caption, head, rows }: Extract<Block, { kind: 'table' }>): string {
  const cell = (value: string | number, column: number): string => {
    if (column === 0) return `<th scope="row">${escapeXml(String(value))}</th>`;
    return typeof value === 'number'
      ? `<td class="number">${cellText(value)}</td>`
      : `<td>${escapeXml(value)}</td>`;
  };
  const headCell = (name: string, column: number): string =>
    `<th scope="col"${column > 0 && typeof rows[0]?.[column] === 'number' ? ' class="number"' : ''}>${escapeXml(name)}</th>`;
  return [
    `<div class="wide" tabindex="0" role="region" aria-label="${escapeXml(caption)}"><table><caption>${escapeXml(caption)}</caption>`,
    `<thead><tr>${head.map(headCell).join('')}</tr></thead>`,
    `<tbody>${rows.map((row) => `<tr>${row.map(cell).join('')}</tr>`).join('\n')}</tbody></table></div>`,
  ].join('\n');
}

/** Type for a page or a drawing as CSS with the font in it, so that it looks the same elsewhere. */
export const fontFace = (woff2: string): string =>
  `@font-face{font-family:'Figtree Variable';src:url(data:font/woff2;base64,${woff2}) format('woff2');font-weight:300 900}`;

/** The same page with its type in it. */
export const withFontFace = (html: string, face: string): string => html.replace('<style>', `<style>${face}`);

/**
 * A document as one page that needs nothing else and runs nothing: HTML 5, its pictures inside it, headings in their order, every
 * table with its headers, a list of the chapters at the top.
 */
export function writeHtml(title: string, blocks: readonly Block[]): string {
  let picture = 0;
  const anchors = new Map<Block, string>();
  for (const block of blocks)
    if (block.kind === 'heading' && block.level === 2) anchors.set(block, `part-${anchors.size + 1}`);
  const blockHtml = (block: Block): string => {
    switch (block.kind) {
      case 'heading': {
        const anchor = anchors.get(block);
        return `<h${block.level}${anchor === undefined ? '' : ` id="${anchor}"`}>${escapeXml(block.text)}</h${block.level}>`;
      }
      case 'paragraph':
        return `<p>${runsHtml(block.runs)}</p>`;
      case 'quote':
        return `<blockquote>${runsHtml(block.runs)}<cite>${escapeXml(block.source)}</cite></blockquote>`;
      case 'list':
        return `<ul>${block.items.map((item) => `<li>${runsHtml(item)}</li>`).join('\n')}</ul>`;
      case 'table':
        return tableHtml(block);
      case 'picture': {
        const drawing = standingAlone(block.svg, ++picture).replace(
          /<svg\b([^>]*?)(?: role="img")?([^>]*)>/,
          (_, before: string, after: string) =>
            `<svg${before}${after} role="img" aria-label="${escapeXml(block.alt)}">`,
        );
        return `<figure${isBroad(block.svg) ? ' class="broad"' : ''}>${drawing}<figcaption>${escapeXml(block.caption)}</figcaption></figure>`;
      }
    }
  };
  const chapters = [...anchors].map(([block, anchor]) =>
    block.kind === 'heading' ? `<li><a href="#${anchor}">${escapeXml(block.text)}</a></li>` : '',
  );
  // The title stands first, the chapters under it.
  const [first, ...others] = blocks.map(blockHtml);
  return [
    '<!doctype html>',
    `<html lang="en"><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="${POLICY}"><meta name="viewport" content="width=device-width,initial-scale=1"><title>${escapeXml(title)}</title>`,
    `<style>${STYLE}\nsvg text{font-family:'Figtree Variable',Figtree,'Helvetica Neue',Arial,sans-serif}</style></head>`,
    '<body><main>',
    first ?? '',
    ...(chapters.length > 1 ? [`<nav aria-label="Contents"><ul>${chapters.join('\n')}</ul></nav>`] : []),
    ...others,
    '</main></body></html>\n',
  ].join('\n');
}
