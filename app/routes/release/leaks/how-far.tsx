/** How far the check has come, with a way to stop it. */
export function HowFar({ stopped, ready, done, of, result, onStopped }: HowFarProps) {
  return (
    <p className="figures mt-3 flex items-center gap-3 text-[14px]" role="status">
      {stopped ? "Stopped." : ready ? result : `Looking, ${String(done)} of ${String(of)} students`}
      {!ready && (
        <button
          type="button"
          className="link"
          onClick={() => {
            onStopped(!stopped);
          }}
        >
          {stopped ? "Look again" : "Stop"}
        </button>
      )}
    </p>
  );
}

interface HowFarProps {
  readonly stopped: boolean;
  readonly ready: boolean;
  readonly done: number;
  readonly of: number;
  readonly result: string;
  readonly onStopped: (stopped: boolean) => void;
}
