import { z } from "zod/mini";
import { asideSchema, idField } from "#core/model";
import type { CommandKind } from "../../engine/change";
import { assignmentAt, finish, put, remove } from "../../engine/command-parts";

const asideInput = z.extend(z.omit(asideSchema, { id: true }), {
  /** What is odd, as `oddSubject` names it. */
  subject: z.string().check(z.minLength(1), z.maxLength(300)),
  /** The same for the journal. */
  title: z.string().check(z.maxLength(300)),
});

/** Sets something odd aside with a word; it comes back by itself when what it rests on is another figure. */
export const setAside: CommandKind<z.infer<typeof asideInput>> = {
  input: asideInput,
  prepare: (state, { subject, title, ...aside }) => {
    const found = assignmentAt(state, aside.assignmentId);
    if (!found.ok) return found;
    const because = aside.word === "" ? "" : `: ${aside.word}`;
    const record = { ...aside, id: `${aside.assignmentId}/${subject}` };
    return finish(`${found.value.name}, set aside: ${title}${because}`, put(state, "asides", record));
  },
};

const backInput = z.object({
  assignmentId: idField("assignment"),
  subject: z.string().check(z.minLength(1), z.maxLength(300)),
});

/** Takes it back that something was set aside. */
export const takeFromAside: CommandKind<z.infer<typeof backInput>> = {
  input: backInput,
  prepare: (state, { assignmentId, subject }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    return finish(`${found.value.name}: no longer set aside`, remove(state, "asides", `${assignmentId}/${subject}`));
  },
};
