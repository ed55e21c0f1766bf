import { Circle, Square } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { Player } from "../work/pages/player";

interface RecorderProps {
  readonly kind: "sound" | "video";
  readonly onKeep: (recording: Blob) => void;
  readonly onClose: () => void;
}

type State =
  | { readonly step: "ready" }
  | { readonly step: "asking" }
  | {
      readonly step: "recording";
      readonly recorder: MediaRecorder;
      readonly stream: MediaStream;
      readonly since: number;
    }
  | { readonly step: "done"; readonly recording: Blob }
  | { readonly step: "refused"; readonly words: string };

/** Formats in the order they are wished for; the browser takes the first that it can write. */
const FORMATS = {
  sound: ["audio/webm;codecs=opus", "audio/mp4", "audio/ogg"],
  video: ["video/webm;codecs=vp8,opus", "video/mp4", "video/webm"],
} as const;
const BITS_PER_SECOND = { sound: { audioBitsPerSecond: 48_000 }, video: { videoBitsPerSecond: 600_000 } } as const;
/** Longest recording, in seconds. */
const LONGEST = 15 * 60;

/** A recording from the asking of the browser to what was recorded. */
function useRecording(kind: RecorderProps["kind"]) {
  const [state, setState] = useState<State>({ step: "ready" });
  const [seconds, setSeconds] = useState(0);
  const preview = useRef<HTMLVideoElement>(null);
  const stream = state.step === "recording" ? state.stream : null;
  useEffect(() => {
    if (preview.current) preview.current.srcObject = stream;
    return () => {
      stream?.getTracks().forEach((track) => {
        track.stop();
      });
    };
  }, [stream]);
  useEffect(() => {
    if (state.step !== "recording") return;
    const timer = setInterval(() => {
      const passed = Math.floor((performance.now() - state.since) / 1000);
      setSeconds(passed);
      if (passed >= LONGEST) state.recorder.stop();
    }, 250);
    return () => {
      clearInterval(timer);
    };
  }, [state]);

  const begin = async () => {
    setState({ step: "asking" });
    const mimeType = FORMATS[kind].find((format) => MediaRecorder.isTypeSupported(format));
    if (!mimeType) {
      setState({ step: "refused", words: "This browser cannot record. Add a file that was recorded elsewhere." });
      return;
    }
    try {
      const media = await navigator.mediaDevices.getUserMedia({ audio: true, video: kind === "video" });
      const recorder = new MediaRecorder(media, { mimeType, ...BITS_PER_SECOND[kind] });
      const pieces: Blob[] = [];
      recorder.ondataavailable = ({ data }) => {
        pieces.push(data);
      };
      recorder.onstop = () => {
        setState({ step: "done", recording: new Blob(pieces, { type: mimeType.split(";")[0] ?? "" }) });
      };
      recorder.start(1000);
      setSeconds(0);
      setState({ step: "recording", recorder, stream: media, since: performance.now() });
    } catch {
      const what = kind === "video" ? "camera and microphone" : "microphone";
      setState({ step: "refused", words: `The browser gave no ${what}. Allow it for this page and try again.` });
    }
  };
  return { state, seconds, preview, begin };
}

/** Records sound or video in the browser; nothing leaves it, and nothing is kept before it was heard. */
export function Recorder({ kind, onKeep, onClose }: RecorderProps) {
  const { state, seconds, preview, begin } = useRecording(kind);
  const time = `${String(Math.floor(seconds / 60))}:${String(seconds % 60).padStart(2, "0")}`;
  return (
    <div
      role="group"
      aria-label={`Record ${kind}`}
      className="space-y-2 border border-rule bg-sheet px-2.5 py-2 text-[14px]"
    >
      {state.step === "recording" && kind === "video" && <video ref={preview} autoPlay muted className="w-full" />}
      {state.step === "done" && <Player blob={state.recording} name="The recording" video={kind === "video"} />}
      {state.step === "refused" && (
        <p role="alert" className="text-wax">
          {state.words}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-2">
        {(state.step === "ready" || state.step === "refused") && (
          <button type="button" className="act" onClick={() => void begin()}>
            <Circle size={13} aria-hidden="true" className="fill-wax text-wax" /> Record
          </button>
        )}
        {state.step === "asking" && <p role="status">Waiting for the browser to allow it</p>}
        {state.step === "recording" && (
          <button
            type="button"
            className="act"
            onClick={() => {
              state.recorder.stop();
            }}
          >
            <Square size={13} aria-hidden="true" /> Stop <span className="figures">{time}</span>
          </button>
        )}
        {state.step === "done" && (
          <>
            <button
              type="button"
              className="act"
              onClick={() => {
                onKeep(state.recording);
              }}
            >
              Keep it
            </button>
            <button type="button" className="act act-quiet" onClick={() => void begin()}>
              Record again
            </button>
          </>
        )}
        <button type="button" className="link" onClick={onClose}>
          {state.step === "done" ? "Throw it away" : "Close"}
        </button>
      </div>
    </div>
  );
}
