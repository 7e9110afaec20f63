/** Two buttons for a hand with chalk on it. */
export function BackAndNext(props: { at: number; most: number; next: string; go: (to: number) => void }) {
  const { at, most, next, go } = props;
  return (
    <>
      <button
        type="button"
        className="press min-h-20 min-w-36 justify-center text-2xl"
        disabled={at === 0}
        onClick={() => go(at - 1)}
      >
        Back
      </button>
      <button
        type="button"
        className="press press-main min-h-20 min-w-56 justify-center text-3xl"
        disabled={at >= most}
        onClick={() => go(at + 1)}
      >
        {next}
      </button>
    </>
  );
}
