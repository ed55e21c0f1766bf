import { useState } from "react";
import { useNavigate } from "react-router";
import { decimal, type Id } from "#core/kernel";
import type { Assignment, Rubric } from "#core/model";
import { startCriterion } from "#core/scoring";
import { inAddress } from "../../../ui/address";
import { troubleOf } from "../../../ui/hooks/use-command";
import { rubricFileWords } from "../../../ui/words/words";
import { readText } from "../../../ui/files/read-text";
import { useChange } from "../../../course/use-change";
import { runTableJob } from "../../../../workers/client";

export const freshId = () => crypto.randomUUID();

/** Ways to a new rubric: begun, read from a file, adapted; it opens when it is there. */
export function useNewRubric(slot: string, rubrics: readonly Rubric[], assignment: Assignment | undefined) {
  const change = useChange();
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string | null>(null);
  const address = (rubric: Rubric) => `/courses/${slot}/plan/rubrics/${inAddress(rubric.id)}`;
  const free = (name: string) => {
    const taken = new Set(rubrics.map((rubric) => rubric.name));
    let next = name;
    for (let number = 2; taken.has(next); number += 1) next = `${name} ${String(number)}`;
    return next;
  };
  const open = async (rubric: Rubric) => {
    const made = assignment && rubric.purpose === "score" ? { assignmentId: assignment.id } : {};
    const words = troubleOf(await change({ type: "saveRubric", rubric, ...made }));
    setTrouble(words);
    if (words === null) void navigate(address(rubric));
  };
  const start = (purpose: Rubric["purpose"]) => {
    const name = free(assignment?.name ?? (purpose === "score" ? "New rubric" : "Outcomes"));
    const points = assignment && assignment.points !== "0" ? assignment.points : decimal("12");
    void open({
      id: `rubric:${freshId()}` as Id<"rubric">,
      name,
      proposal: "top",
      purpose,
      scaled: true,
      criteria: [startCriterion(freshId, "First criterion", points)],
    });
  };
  const readFile = async (file: File) => {
    const text = await readText(file);
    const read = await runTableJob((jobs) => jobs.rubric(text), new AbortController().signal);
    if (!read.ok) {
      setTrouble(`${file.name}: ${rubricFileWords(read.issue)}`);
      return;
    }
    await open({ ...read.value, name: free(read.value.name) });
  };

  return { address, free, open, start, readFile, trouble, setTrouble };
}
