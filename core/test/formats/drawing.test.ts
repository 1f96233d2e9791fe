import { expect } from 'chai';
import fc from 'fast-check';
import { DrawingError, readDrawing, safeDrawing, writeDrawing } from '../../src/formats/drawing.ts';
import { renderCloud, renderBars } from '../../src/map/word-picture.ts';
import { renderDispersion } from '../../src/reading/render.ts';

const HEAD = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"';

describe('a drawing from elsewhere', () => {
  it('is kept as it is where it is one of ours', () => {
    const words = ['bus', 'O’Brien & Söhne', '<late>', '"quoted"'].map((text, i) => ({
      text,
      weight: i + 1,
    }));
    const ours = [
      renderCloud(words, 'A cloud').svg,
      renderBars(words, 'Bars & more').svg,
      renderDispersion([{ title: 'bus', letter: 'A', total: 2, places: [{ at: 0.5 }] }], [0, 0.4], 'Where'),
    ];
    for (const svg of ours) {
      expect(readDrawing(svg).leftOut).to.deep.equal([]);
      expect(safeDrawing(svg)).to.equal(svg);
    }
  });

  it('loses whatever runs, loads, links, moves or hides', () => {
    const hostile = [
      `${HEAD} onload="alert(1)"><rect width="1"/></svg>`,
      `${HEAD}><script>alert(1)</script></svg>`,
      `${HEAD}><script><![CDATA[alert(1)]]></script></svg>`,
      `${HEAD}><image href="http://127.0.0.1/x.png"/></svg>`,
      `${HEAD}><a href="javascript:alert(1)"><text>here</text></a></svg>`,
      `${HEAD}><foreignObject><iframe src="http://127.0.0.1/"></iframe></foreignObject></svg>`,
      `${HEAD}><use href="http://127.0.0.1/x.svg#a"/></svg>`,
      `${HEAD}><rect fill="url(http://127.0.0.1/x)"/></svg>`,
      `${HEAD}><rect style="fill:url(http://127.0.0.1/x)"/></svg>`,
      `${HEAD}><style>@import url(http://127.0.0.1/x.css);</style></svg>`,
      `${HEAD}><style>text{font-family:x;background:url(//127.0.0.1/y)}</style></svg>`,
      `${HEAD}><animate attributeName="href" values="javascript:alert(1)"/></svg>`,
      `${HEAD}><set attributeName="onload" to="alert(1)"/></svg>`,
      `${HEAD}><text>a<!-- <script>alert(1)</script> --></text></svg>`,
      `${HEAD}><g><text aria-label="Ada">x</text></g></svg>`,
    ];
    for (const svg of hostile) {
      const safe = safeDrawing(svg);
      if (safe === undefined) continue;
      expect(safe, svg).to.not.match(/script|alert|href|127\.0\.0\.1|import|iframe|on\w+=|Ada/i);
    }
    expect(safeDrawing(hostile[0])).to.equal(`${HEAD}><rect width="1"/></svg>`);
    expect(readDrawing(hostile[0]).leftOut).to.deep.equal(['onload']);
  });

  it('is refused where it is none, is cut short, nested without end, or says no size', () => {
    for (const svg of [
      ...[
        '',
        'words',
        '<svg',
        `${HEAD}>`,
        `${HEAD}></g></svg>`,
        `${HEAD}/>${HEAD}/>`,
        '<!DOCTYPE svg><svg/>',
      ],
      ...['<svg xmlns="http://www.w3.org/2000/svg"/>', '<svg viewBox="0 0 1 1000000"/>', '<html></html>'],
      `${HEAD}>${'<g>'.repeat(50)}${'</g>'.repeat(50)}</svg>`,
      `${HEAD}><rect width=1/></svg>`,
    ]) {
      expect(() => readDrawing(svg), svg).to.throw(DrawingError);
      expect(safeDrawing(svg)).to.equal(undefined);
    }
  });

  it('says the same read again, whatever stands in it', () => {
    const piece = fc.oneof(
      fc.constantFrom(
        '<g>',
        '</g>',
        '<rect width="3"/>',
        '<script>',
        '</script>',
        '<text x="1">',
        '</text>',
        '"',
        '&lt;',
        '<!--',
        '-->',
        ' onload="x"',
      ),
      fc.string({ maxLength: 8 }),
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 12 }), (pieces) => {
        const safe = safeDrawing(`${HEAD}>${pieces.join('')}</svg>`);
        if (safe === undefined) return;
        const again = readDrawing(safe);
        expect(again.leftOut).to.deep.equal([]);
        expect(writeDrawing(again.root)).to.equal(safe);
      }),
      { numRuns: 500 },
    );
  });
});
