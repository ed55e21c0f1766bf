import { useState } from "react";
import { useNavigate } from "react-router";
import type { Course } from "#core/model";
import type { Repository } from "#storage";
import { Ask } from "../../../ui/dialogs/ask";
import type { Job } from "../../../ui/hooks/use-job";
import { slotFor } from "../../../course/wish-slot";
import { moved } from "./moved";

interface TakeOffProps {
  readonly repository: Repository;
  readonly slot: string;
  readonly course: Course;
  readonly job: Job;
  readonly onTrouble: () => void;
}

/** Takes the lock off a course. */
export function TakeOff({ repository, slot, course, job, onTrouble }: TakeOffProps) {
  const navigate = useNavigate();
  const [isAsking, setAsking] = useState(false);
  return (
    <div className="grid justify-items-start gap-3">
      <p>Whatever the course holds is then written open again: whoever can use this browser can read it.</p>
      <button
        type="button"
        className="act"
        disabled={job.progress !== null}
        onClick={() => {
          setAsking(true);
        }}
      >
        Take the lock off
      </button>
      <Ask
        open={isAsking}
        title="Take the lock off?"
        action="Take the lock off"
        onClose={() => {
          setAsking(false);
        }}
        onAct={() => {
          setAsking(false);
          void job.run(async (signal, tell) => {
            const to = await moved({ repository, slot, signal, tell, onTrouble }, null, slotFor(course));
            await navigate(`/courses/${to}/lock`, { replace: true });
            return "The lock is off. Its passphrase and its recovery sheet are for nothing now.";
          });
        }}
      >
        Its passphrase and its recovery sheet open nothing afterwards. The course stays as it is otherwise.
      </Ask>
    </div>
  );
}
