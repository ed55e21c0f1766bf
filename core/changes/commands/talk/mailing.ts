import { z } from "zod/mini";
import { milliseconds, ok, refuse, type Id } from "#core/kernel";
import {
  commentField,
  rosterName,
  idField,
  TOTALS_LETTER,
  type CourseState,
  type Delivery,
  type GradeExport,
  type Mail,
} from "#core/model";
import { openingKey, openingsOf, visibleTo, visibleTotals } from "#core/release";
import { counted } from "#core/words";
import type { CommandKind } from "../../engine/change";
import { finish, paperAt, put, studentAt } from "../../engine/command-parts";

const mailInput = z.object({
  kind: z.enum(["results", "reminder"]),
  /** What it is about, for the journal. */
  about: z.string().check(z.trim(), z.maxLength(200)),
  mails: z
    .array(
      z.object({
        studentId: idField("student"),
        to: z.string().check(z.trim(), z.maxLength(320)),
        subject: z.string().check(z.trim(), z.minLength(1), z.maxLength(300)),
        body: commentField.check(z.minLength(1)),
      }),
    )
    .check(z.minLength(1), z.maxLength(5_000)),
});

/** Hands letters to the post office, which delivers them into the student window. */
export const sendMails: CommandKind<z.infer<typeof mailInput>> = {
  input: mailInput,
  prepare: (state, { kind, about, mails }, { at, by, fresh }) => {
    const unknown = mails.find(({ studentId }) => !state.students[studentId]);
    if (unknown) return refuse({ code: "unknown_record", what: "student", id: unknown.studentId });
    const records = mails.map((mail): Mail => ({
      id: `mail:${fresh()}` as Id<"mail">,
      kind,
      ...mail,
      at,
      by,
      openedAt: null,
    }));
    const words = kind === "reminder" ? "reminder sent" : "letters sent";
    return finish(
      `${about}: ${words} to ${counted(mails.length, "student")}`,
      ...records.map((record) => put(state, "mails", record)),
      kind === "results"
        ? put(
            state,
            "deliveries",
            delivery(
              "post",
              false,
              mails.map(({ studentId }) => studentId),
              { at, by, fresh },
            ),
          )
        : null,
    );
  },
};

const delivery = (
  how: Delivery["how"],
  locked: boolean,
  studentIds: Delivery["studentIds"],
  { at, by, fresh }: { readonly at: Delivery["at"]; readonly by: Delivery["by"]; readonly fresh: () => string },
): Delivery => ({ id: `delivery:${fresh()}` as Id<"delivery">, at, by, how, locked, studentIds });

const deliveryInput = z.object({
  locked: z.boolean(),
  studentIds: z.array(idField("student")).check(z.minLength(1), z.maxLength(5_000)),
});

/** Notes that student copies left the application as files; from then on they count as seen. */
export const noteDelivery: CommandKind<z.infer<typeof deliveryInput>> = {
  input: deliveryInput,
  prepare: (state, { locked, studentIds }, context) =>
    finish(
      `Student copies made for ${counted(studentIds.length, "student")}${locked ? ", locked" : ""}`,
      put(state, "deliveries", delivery("files", locked, studentIds, context)),
    ),
};

/** Openings closer together than this count as one, in milliseconds. */
const ONE_SITTING = 60_000;
const MOST_OPENINGS = 100;

const openInput = z.object({
  studentId: idField("student"),
  /** The assignments whose letters were opened. */
  assignmentIds: z.array(idField("assignment")).check(z.maxLength(500)),
  totals: z.boolean(),
});

/** Notes that a student opened what they were given, as the student window tells. What they cannot see is not opened. */
export const openLetter: CommandKind<z.infer<typeof openInput>> = {
  input: openInput,
  prepare: (state, { studentId, assignmentIds, totals }, { at }) => {
    const found = studentAt(state, studentId);
    if (!found.ok) return found;
    const open = new Set(visibleTo(state, studentId).map(({ assignment }) => assignment.id));
    const whats = [
      ...assignmentIds.filter((id) => open.has(id)),
      ...(totals && visibleTotals(state, studentId).length > 0 ? [TOTALS_LETTER] : []),
    ] as Parameters<typeof openingKey>[0][];
    const patches = whats.map((what) => openingPatch(state, what, studentId, at));
    return finish(`${rosterName(state, found.value)}: opened what was given`, ...patches);
  },
};

function openingPatch(
  state: CourseState,
  what: Parameters<typeof openingKey>[0],
  studentId: Mail["studentId"],
  at: Mail["at"],
) {
  const times = openingsOf(state, what, studentId);
  const last = times.at(-1);
  if (last !== undefined && Math.abs(milliseconds(at) - milliseconds(last)) < ONE_SITTING) return null;
  const id = openingKey(what, studentId);
  return put(state, "openings", { id, studentId, times: [...times, at].slice(-MOST_OPENINGS) });
}

const openMailInput = z.object({ mailId: idField("mail") });

/** Notes that a student opened a letter from the post office. */
export const openMail: CommandKind<z.infer<typeof openMailInput>> = {
  input: openMailInput,
  prepare: (state, { mailId }, { at }) => {
    const mail = state.mails[mailId];
    if (!mail) return refuse({ code: "unknown_record", what: "letter", id: mailId });
    if (mail.openedAt !== null) return refuse({ code: "nothing_to_change" });
    return finish(`"${mail.subject}" opened by the student`, put(state, "mails", { ...mail, openedAt: at }));
  },
};

const exportInput = z.object({
  grades: z
    .array(
      z.object({
        studentId: idField("student"),
        number: z.string(),
        name: z.string(),
        percent: z.nullable(z.string()),
        letter: z.nullable(z.string()),
      }),
    )
    .check(z.minLength(1), z.maxLength(5_000)),
});

/** Keeps final grades as they were exported, to be compared with later ones. */
export const keepGradeExport: CommandKind<z.infer<typeof exportInput>> = {
  input: exportInput,
  prepare: (state, { grades }, { at, by, fresh }) => {
    const record: GradeExport = { id: `export:${fresh()}` as Id<"export">, at, by, grades };
    return finish(`Final grades of ${counted(grades.length, "student")} exported`, put(state, "gradeExports", record));
  },
};

const instructorCopyInput = z.object({ assignmentId: idField("assignment"), studentId: idField("student") });

/** Notes in the journal that a paper was saved with what its student has not been given. Nothing of the course changes. */
export const noteInstructorCopy: CommandKind<z.infer<typeof instructorCopyInput>> = {
  input: instructorCopyInput,
  prepare: (state, place) => {
    const paper = paperAt(state, place);
    if (!paper.ok) return paper;
    return ok({ patches: [], line: `${paper.value.title}: instructor's copy of the marked paper saved` });
  },
};
