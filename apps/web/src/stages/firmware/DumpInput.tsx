import { useState } from 'react';
import { dumpProblem } from '@wired-falcon/core';
import { FileButton } from '../../ui/FileButton.tsx';
import { fileText } from '../../ui/fileText.ts';

interface DumpInputProps {
  /** Open as long as there is no dump. */
  readonly isOpen: boolean;
  readonly onDump: (text: string) => void;
}

/** More than this is not shown in the field, which would make typing slow; it is compared whole. */
const MOST_SHOWN = 200_000;

/** A dump pasted, opened or dropped. What cannot be read gets a sentence, and what was there stays. */
export function DumpInput({ isOpen, onDump }: DumpInputProps) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const [isOver, setOver] = useState(false);
  const take = (dump: string): void => {
    const wrong = dumpProblem(dump);
    setProblem(wrong);
    if (wrong !== undefined) return;
    if (dump.length <= MOST_SHOWN) setText(dump);
    onDump(dump);
  };
  return (
    <details key={String(isOpen)} open={isOpen} className="no-print mt-2 text-[13px]">
      <summary className="cursor-pointer font-semibold">{isOpen ? 'A dump of the controller' : 'Another dump'}</summary>
      {isOpen && (
        <p className="mt-1 max-w-prose">
          Let the controller write out its configuration, all of it or what differs from a board as delivered, and bring the text here. Each
          line is compared with the plan; where they differ, you decide which side is right.
        </p>
      )}
      <form
        aria-label="A dump of the controller"
        className={`mt-2 flex max-w-[720px] flex-col gap-2 border p-2 ${isOver ? 'border-rust' : 'border-rule'}`}
        onSubmit={(event) => {
          event.preventDefault();
          take(text);
        }}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          const [file] = event.dataTransfer.files;
          if (file === undefined) take(event.dataTransfer.getData('text'));
          else void fileText(file).then(take);
        }}
      >
        <label>
          Paste the text here, or drop a file
          <textarea
            className="field value mt-0.5 block h-28 w-full"
            spellCheck={false}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
        <span className="flex flex-wrap gap-2">
          <button type="submit" className="action action-main">
            Compare with the plan
          </button>
          <FileButton label="Open a file" fileLabel="File with a dump" accept=".txt,.cfg,.param,.log,text/plain" onText={take} />
        </span>
        {problem !== undefined && (
          <p role="alert" className="text-rust">
            {problem}
          </p>
        )}
      </form>
    </details>
  );
}
