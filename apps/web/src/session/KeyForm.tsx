import { useId, useState } from 'react';
import { handInKey } from './transport.ts';

/** Asks for the access key of the workshop, in the page: nothing that waits is lost by it. */
export function KeyForm({ onTaken }: { readonly onTaken: () => void }) {
  const [key, setKey] = useState('');
  const [problem, setProblem] = useState<string>();
  const field = useId();
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void handInKey(key).then((found) => {
          setProblem(found);
          if (found === undefined) onTaken();
        });
      }}
    >
      <label className="block text-[13px] text-ink2" htmlFor={field}>
        Access key
      </label>
      <div className="mt-1 flex gap-2">
        <input
          id={field}
          className="field w-56"
          type="password"
          autoComplete="current-password"
          value={key}
          onChange={(event) => setKey(event.target.value)}
          required
        />
        <button type="submit" className="action action-main">
          Open
        </button>
      </div>
      {problem !== undefined && (
        <p role="alert" className="mt-1.5 text-[13px] text-rust">
          {problem}
        </p>
      )}
    </form>
  );
}
