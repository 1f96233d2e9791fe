import { Modal, Radio } from 'antd';
import { useEffect, useState } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { aroundOddBytes } from '@green-thicket/core/formats/read/odd-bytes';
import type { FileToRead } from '../../engine/protocol.ts';
import { useReturnFocus } from '../../pieces/use-return-focus.ts';
import styles from './EncodingDialog.module.css';

/** Encodings that are offered beside those a file may be in, since a guess from few letters is poor. */
const OTHERS = [
  'windows-1252',
  'windows-1250',
  'windows-1251',
  'iso-8859-2',
  'koi8-r',
  'shift_jis',
  'gb18030',
  'big5',
  'euc-kr',
];
const SHOWN = 90;

/** Files whose encoding is not known for sure, and what each may be in. */
export interface UnsureFiles {
  readonly files: readonly FileToRead[];
  readonly encodings: readonly string[];
}

/** The first words of a file that differ from encoding to encoding. */
async function openingOf(file: Blob, encodings: readonly string[]): Promise<Map<string, string>> {
  const bytes = aroundOddBytes(new Uint8Array(await file.arrayBuffer()));
  const first = bytes.findIndex((byte) => byte > 127);
  const piece = bytes.subarray(Math.max(0, first - 20), first + 200);
  const read = encodings.map((name): [string, string] => [
    name,
    new TextDecoder(name).decode(piece).replace(/\s+/g, ' ').slice(0, SHOWN),
  ]);
  // What holds bytes that stand for nothing can't be it; the last character may only be cut in two.
  return new Map(read.filter(([, words]) => !/[\ufffd\u0080-\u009f]/.test(words.slice(0, -1))));
}

/** Asks in which encoding files are: the same words are shown in each, and one of them reads right. */
export function EncodingDialog({
  unsure,
  onAnswer,
}: {
  unsure: UnsureFiles;
  /** The encoding, or undefined where the files are left out. */
  onAnswer: (encoding: string | undefined) => void;
}) {
  const { files, encodings } = unsure;
  const [openings, setOpenings] = useState<ReadonlyMap<string, string>>();
  useEffect(() => {
    const all = [...encodings.map((each) => each.toLowerCase()), ...OTHERS];
    let live = true;
    openingOf(files[0].file, [...new Set(all)]).then(
      (found) => live && setOpenings(found),
      () => live && onAnswer(undefined),
    );
    return () => {
      live = false;
    };
  }, [files, encodings, onAnswer]);
  // The dialog opens with its lines, so that it begins in the first of them.
  return openings && <EncodingChoice files={files} openings={openings} onAnswer={onAnswer} />;
}

function EncodingChoice({
  files,
  openings,
  onAnswer,
}: {
  files: readonly FileToRead[];
  openings: ReadonlyMap<string, string>;
  onAnswer: (encoding: string | undefined) => void;
}) {
  useReturnFocus();
  const [chosen, setChosen] = useState<string>();
  return (
    <Modal
      open
      title="Which of these reads right?"
      okText={`Read ${files.length === 1 ? 'it' : `all ${files.length}`} this way`}
      cancelText="Leave out"
      okButtonProps={{ disabled: chosen === undefined }}
      onOk={() => onAnswer(chosen)}
      onCancel={() => onAnswer(undefined)}
      width={680}
    >
      <div className="stack">
        <p>
          {files.length === 1
            ? `The encoding of ${files[0].name} can’t be told for sure.`
            : `The encoding of ${counted(files.length, 'file')} can’t be told for sure. These are words of ${files[0].name}.`}{' '}
          Choose the line whose letters are right.
        </p>
        <Radio.Group
          className={styles.encodingChoice}
          aria-label="Encoding"
          value={chosen}
          onChange={(event) => setChosen(String(event.target.value))}
        >
          {[...openings].map(([name, words], i) => (
            <Radio key={name} value={name} autoFocus={i === 0}>
              <span className="words">{words}</span> <span className="quiet">{name}</span>
            </Radio>
          ))}
        </Radio.Group>
      </div>
    </Modal>
  );
}
