import { rgb } from "@cantoo/pdf-lib";
import type { FeedbackSheet, SheetPassage } from "./messages";
import type { Flow } from "./flow";

const SOFT = rgb(0.337, 0.357, 0.439);

/** Sets the page behind a marked paper: the score, each criterion with its level and passages, and the comments. */
export async function writeSheet(flow: Flow, feedback: FeedbackSheet): Promise<void> {
  await flow.write(feedback.title, { size: 18, weight: "strong", after: 2 });
  await flow.write(`${feedback.course} · for ${feedback.name}`, { size: 10.5, colour: SOFT, after: 8 });
  if (feedback.overall) await flow.write(feedback.overall, { size: 11.5, after: 8 });
  if (feedback.score !== null) {
    flow.rule();
    await flow.writeEnds("Score", feedback.score, { size: 12.5, weight: "strong", before: 4 });
  }
  if (feedback.scoreNote) await flow.write(feedback.scoreNote, { size: 10.5, colour: SOFT });
  for (const criterion of feedback.criteria) {
    flow.rule();
    await flow.writeEnds(criterion.name, criterion.points, { size: 11.5, weight: "strong", before: 3 });
    if (criterion.level) await flow.write(criterion.level, { size: 10.5, colour: SOFT });
    if (criterion.comment) await flow.write(criterion.comment, { size: 11.5, before: 2 });
    await writePassages(flow, criterion.passages);
  }
  for (const { prompt, text, points, comment } of feedback.answers) {
    flow.rule();
    await flow.writeEnds(prompt, points, { size: 11.5, weight: "strong", before: 3 });
    await flow.write(text, { size: 11, colour: SOFT, indent: 12 });
    if (comment) await flow.write(comment, { size: 11.5, before: 2 });
  }
  if (feedback.others.length === 0) return;
  flow.rule();
  await flow.write("On the work", { size: 11.5, weight: "strong", before: 3 });
  await writePassages(flow, feedback.others);
}

async function writePassages(flow: Flow, passages: readonly SheetPassage[]): Promise<void> {
  for (const { quote, words } of passages) {
    if (quote) await flow.write(`“${quote}”`, { size: 10.5, colour: SOFT, indent: 12, before: 3 });
    if (words) await flow.write(words, { size: 11, indent: quote ? 24 : 12 });
  }
}
