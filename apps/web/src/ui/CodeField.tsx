import { useEffect, useRef } from 'react';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { lintGutter, lintKeymap, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { EditorState, Transaction } from '@codemirror/state';
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view';

/** Something that is wrong in a line of the text. */
export interface CodeProblem {
  /** From 1. */
  readonly line: number;
  readonly column: number;
  readonly sentence: string;
}

interface CodeFieldProps {
  readonly label: string;
  readonly value: string;
  readonly problems: readonly CodeProblem[];
  readonly isReadOnly?: boolean;
  readonly onChange: (text: string) => void;
}

/** A text with numbered lines, where what is wrong is marked at its place. Tab leaves the field, as it leaves every other. */
export function CodeField({ label, value, problems, isReadOnly = false, onChange }: CodeFieldProps) {
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | undefined>(undefined);
  const told = useRef(onChange);
  /** Texts that were told and are not shown back yet: typing goes on while the page draws, and must not be set back to them. */
  const onTheirWay = useRef<string[]>([]);
  useEffect(() => {
    told.current = onChange;
  });
  useEffect(() => {
    if (host.current === null) return undefined;
    const editor = new EditorView({
      parent: host.current,
      state: EditorState.create({
        doc: '',
        extensions: [
          lineNumbers(),
          history(),
          drawSelection(),
          highlightActiveLine(),
          lintGutter(),
          keymap.of([...defaultKeymap, ...historyKeymap, ...lintKeymap]),
          EditorState.readOnly.of(isReadOnly),
          EditorView.contentAttributes.of({ 'aria-label': label, spellcheck: 'false' }),
          EditorView.updateListener.of((update) => {
            if (!update.docChanged || !update.transactions.some((one) => !one.isUserEvent('from-outside'))) return;
            const text = update.state.doc.toString();
            onTheirWay.current.push(text);
            told.current(text);
          }),
          look,
        ],
      }),
    });
    // What scrolls can be reached and scrolled by the keyboard by itself.
    editor.scrollDOM.tabIndex = 0;
    editor.scrollDOM.setAttribute('role', 'group');
    editor.scrollDOM.setAttribute('aria-label', `${label}, to scroll`);
    view.current = editor;
    onTheirWay.current = [];
    return () => {
      editor.destroy();
      view.current = undefined;
    };
  }, [label, isReadOnly]);
  useEffect(() => {
    const editor = view.current;
    if (editor === undefined) return;
    const own = onTheirWay.current.indexOf(value);
    if (own >= 0) {
      onTheirWay.current = onTheirWay.current.slice(own + 1);
      return;
    }
    onTheirWay.current = [];
    if (editor.state.doc.toString() === value) return;
    editor.dispatch({
      changes: { from: 0, to: editor.state.doc.length, insert: value },
      userEvent: 'from-outside',
      // Undo in the field takes back what was typed, and not what was put into it.
      annotations: Transaction.addToHistory.of(false),
    });
  }, [value, label, isReadOnly]);
  useEffect(() => {
    const editor = view.current;
    if (editor === undefined) return;
    editor.dispatch(
      setDiagnostics(
        editor.state,
        problems.flatMap((problem) => diagnosticOf(editor.state, problem)),
      ),
    );
  }, [problems, value]);
  return <div ref={host} className="border border-[#8b8577] bg-white" data-code={label} />;
}

function diagnosticOf({ doc }: EditorState, { line, column, sentence }: CodeProblem): Diagnostic[] {
  if (line < 1 || line > doc.lines) return [];
  const { from, to } = doc.line(line);
  return [{ from: Math.min(from + column - 1, to), to, severity: 'error', message: sentence }];
}

const look = EditorView.theme({
  '&': { fontSize: '12.5px', maxHeight: '360px' },
  '.cm-scroller': { fontFamily: 'var(--font-mono)', overflow: 'auto' },
  '.cm-gutters': { backgroundColor: 'var(--color-paper)', color: 'var(--color-ink2)', borderRight: '1px solid var(--color-rule)' },
  '.cm-activeLine': { backgroundColor: 'var(--color-grid)' },
  '&.cm-focused': { outline: '2px solid var(--color-rust)' },
});
