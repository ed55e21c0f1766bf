import { useCallback, type ReactNode } from "react";
import { useNavigate, useParams } from "react-router";
import type { CourseSession, Repository } from "#storage";
import { DropPlace } from "../../ui/files/drop-place";

/** Files let go anywhere in a course go into its tray; where one assignment stands open, for that one. */
export function DropAnywhere({
  repository,
  session,
  children,
}: {
  readonly repository: Repository;
  readonly session: CourseSession;
  readonly children: ReactNode;
}) {
  const navigate = useNavigate();
  const { assignmentId } = useParams();
  const { slot } = session;
  const take = useCallback(
    async (files: File[]) => {
      const { openReading } = await import("../../course/tray-reading");
      const { reading } = await openReading(repository, session);
      void reading.drop(files);
      await navigate(`/courses/${slot}/collect${assignmentId ? `?into=${assignmentId}` : ""}`);
    },
    [repository, session, slot, navigate, assignmentId],
  );
  return (
    <DropPlace
      words="Let go: it goes into the tray"
      className="flex min-w-0 flex-1 flex-col"
      onFiles={(files) => void take(files)}
    >
      {children}
    </DropPlace>
  );
}
