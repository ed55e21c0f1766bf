import { data, useRevalidator } from "react-router";
import { z } from "zod/mini";
import { courseOf } from "#core/model";
import { openCourse } from "../../../course/open-course";
import { readForm } from "../../../course/read-form";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { useJob } from "../../../ui/hooks/use-job";
import { PutOn } from "./put-on";
import { Recovery } from "./recovery";
import { TakeOff } from "./take-off";
import type { Route } from "./+types/page";
import { ChangePassphrase } from "./change-passphrase";
import { Facts } from "./facts";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const course = courseOf(session.state);
  const { title, shortTitle, institution, timeZone } = course;
  return {
    repository,
    isDamaged: session.damage !== null,
    facts: repository.locksmith.factsOf(params.slot),
    known: [title, shortTitle, institution].filter(Boolean),
    course,
    timeZone,
  };
}

const wish = z.union([
  z.object({
    present: z.string().check(z.maxLength(1_000)),
    passphrase: z.string().check(z.minLength(1), z.maxLength(1_000)),
  }),
  z.object({
    label: z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
    idleMinutes: z.coerce.number().check(z.int(), z.minimum(0), z.maximum(1_440)),
  }),
]);

/** Changes the passphrase, or what the lock is called and when it closes by itself. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const asked = await readForm(request, wish);
  if (!asked.success) return data({ trouble: "Give it a name and a passphrase.", done: "" }, { status: 400 });
  const { repository } = await openCourse(context, params.slot);
  if ("label" in asked.data) {
    await repository.keepLockFacts(params.slot, asked.data);
    return { trouble: null, done: "Kept." };
  }
  const { present, passphrase } = asked.data;
  return (await repository.locksmith.changePassphrase(params.slot, present, passphrase))
    ? { trouble: null, done: "The new passphrase opens it from now on, and the old one no longer does." }
    : data({ trouble: "The present passphrase is another one. Nothing was changed.", done: "" }, { status: 403 });
}

export default function LockPage({ loaderData, params }: Route.ComponentProps) {
  const { repository, isDamaged, facts, known, course, timeZone } = loaderData;
  const job = useJob();
  const again = useRevalidator();
  const look = () => void again.revalidate();
  const common = { repository, slot: params.slot, job };
  return (
    <main className="mx-auto w-full max-w-[860px] px-[30px] pt-6 pb-16">
      <title>Lock · Upright Quill</title>
      <h1 className="page-title">Lock</h1>
      <JobStatus job={job} />
      {facts === null ? (
        <Section title="This course is open to whoever can use this browser">
          {isDamaged ? (
            <p>Part of it is damaged. Go on in a copy of it first, and lock that.</p>
          ) : (
            <PutOn {...common} known={known} onTrouble={look} />
          )}
        </Section>
      ) : (
        <>
          <Section title="This course is locked with a passphrase">
            <p>
              It is open in the tabs of this browser until it is locked: with Ctrl Shift L, when the last tab is closed
              or reloaded, or when nobody touches it.
            </p>
            <Facts facts={facts} />
          </Section>
          <Section title="Recovery sheet">
            <Recovery {...common} facts={facts} timeZone={timeZone} onMade={look} />
          </Section>
          <Section title="Another passphrase">
            <ChangePassphrase known={known} />
          </Section>
          <Section title="Without a lock">
            {isDamaged ? (
              <p>Part of the course is damaged. Go on in a copy of it first; it has the same lock.</p>
            ) : (
              <TakeOff {...common} course={course} onTrouble={look} />
            )}
          </Section>
        </>
      )}
    </main>
  );
}

function Section({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <section className="border-t border-rule py-5">
      <h2 className="mb-1.5 font-serif text-[18px] font-semibold">{title}</h2>
      {children}
    </section>
  );
}
