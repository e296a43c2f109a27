import { useRef } from 'react';
import { fileText } from './fileText.ts';

interface FileButtonProps {
  readonly label: string;
  /** What the file is, for those who cannot see the button. */
  readonly fileLabel: string;
  /** What the file may be; JSON unless something else is said. */
  readonly accept?: string;
  readonly onText: (text: string) => void;
}

/** A button that asks for a file and gives its text. The same file can be chosen again. */
export function FileButton({ label, fileLabel, accept = 'application/json,.json', onText }: FileButtonProps) {
  const file = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className="action" onClick={() => file.current?.click()}>
        {label}
      </button>
      <input
        ref={file}
        type="file"
        accept={accept}
        aria-label={fileLabel}
        className="hidden"
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          if (chosen !== undefined) void fileText(chosen).then(onText);
          event.target.value = '';
        }}
      />
    </>
  );
}
