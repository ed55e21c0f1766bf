import { useState } from "react";
import { useFetcher } from "react-router";
import type { Assignment } from "#core/model";
import type { EditAssignment } from "./parts";
import { FileButton } from "../../../ui/files/file-button";

/** Files that go with the task. Each is kept first; then the assignment names it. */
export function AttachedFiles({
  assignment,
  edit,
  slot,
}: {
  readonly assignment: Assignment;
  readonly edit: EditAssignment;
  readonly slot: string;
}) {
  const fetcher = useFetcher<{ trouble: string | null }>();
  const [trouble, setTrouble] = useState<string | null>(null);
  const words = trouble ?? fetcher.data?.trouble ?? null;
  return (
    <div>
      <p className="text-[13px] text-soft">Attached files (PDF, Markdown, plain text)</p>
      <ul className="text-[14px]">
        {assignment.files.map((file) => (
          <li key={file.id} className="flex justify-between border-b border-rule py-1">
            {file.name}
            <button
              type="button"
              className="link text-[13px]"
              onClick={() => void edit({ files: assignment.files.filter(({ id }) => id !== file.id) }).then(setTrouble)}
            >
              Take off<span className="sr-only"> {file.name}</span>
            </button>
          </li>
        ))}
      </ul>
      <FileButton
        words="Attach a file"
        look="link mt-1 text-[14px]"
        onFiles={([file]) => {
          if (!file) return;
          const body = new FormData();
          body.set("assignmentId", assignment.id);
          body.set("file", file);
          void fetcher.submit(body, {
            method: "post",
            encType: "multipart/form-data",
            action: `/courses/${slot}/plan/attach`,
          });
        }}
      />
      {words && (
        <p role="alert" className="text-[13px] text-wax">
          {words}
        </p>
      )}
    </div>
  );
}
