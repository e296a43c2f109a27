/** That something could not be computed of the newest document, and that nothing else is touched by it. Nothing while it could. */
export function NotComputed({ what, failure }: { readonly what: string; readonly failure: string | undefined }) {
  if (failure === undefined) return null;
  return (
    <p role="alert" className="my-2 max-w-prose border-l-2 border-rust px-3 text-[13px]">
      {what}. What is shown is older or missing; all else works, and the next change is computed as usual. The error: {failure}
    </p>
  );
}
