import { useState } from 'react';
import { dumpProblem } from '@wired-falcon/core';
import { FileButton } from './FileButton.tsx';
import { fileText } from './fileText.ts';

interface DumpInputProps {
  /** What is done with a dump, for the button. */
  readonly action: string;
  readonly onDump: (text: string) => void;
}

/** A field for a dump of a controller: pasted, opened or dropped. A file is not shown in the field, where a long text is slow. What cannot be read gets a sentence, and what was there stays. */
export function DumpInput({ action, onDump }: DumpInputProps) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const [isOver, setOver] = useState(false);
  const take = (dump: string): void => {
    const wrong = dumpProblem(dump);
    setProblem(wrong);
    if (wrong === undefined) onDump(dump);
  };
  return (
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
          {action}
        </button>
        <FileButton label="Open a file" fileLabel="File with a dump" accept=".txt,.cfg,.param,.log,text/plain" onText={take} />
      </span>
      {problem !== undefined && (
        <p role="alert" className="text-rust">
          {problem}
        </p>
      )}
    </form>
  );
}
