import type { CommentsCopy, OutcomesCopy, RubricCopy, ScoreCopy, TotalCopy, WorkFile } from "#core/model";
import type { Announced } from "#core/release";
import {
  classFiguresWords,
  deductionWords,
  longMomentText,
  momentText,
  ofMaximum,
  pointsWords,
  scoreWords,
  toldWords,
  withMark,
} from "#core/words";
import { base64 } from "../files/base64";
import { COPY_STYLE } from "./student-copy-style";
import type { CopyFiles, CopyLetter, StudentCopyContent } from "./student-copy";

/** What the page needs from outside. */
export interface HtmlParts {
  readonly files: CopyFiles;
  /** A comment's light formatting as HTML that is safe to stand in a page. */
  readonly formatted: (text: string) => string;
}

/** What its parts are made with. */
interface PageParts extends HtmlParts {
  /** A figure as the course writes it. */
  readonly figure: (text: string) => string;
}

const ENTITIES: Readonly<Record<string, string>> = {
  "&": "&amp;",
  "<": "&lt;",
  ">": "&gt;",
  '"': "&quot;",
  "'": "&#39;",
};
const escaped = (text: string): string => text.replace(/[&<>"']/g, (letter) => ENTITIES[letter] ?? letter);

/** Markup whose values are escaped; nested markup and lists of it go in as they are. */
class Markup {
  constructor(readonly text: string) {}
}
type Piece = string | number | Markup | readonly Markup[] | null | false;

function html(parts: TemplateStringsArray, ...values: readonly Piece[]): Markup {
  const shown = (value: Piece | undefined): string => {
    if (value === undefined || value === null || value === false) return "";
    if (value instanceof Markup) return value.text;
    if (typeof value === "object") return value.map(({ text }) => text).join("");
    return escaped(String(value));
  };
  return new Markup(parts.map((part, index) => part + shown(values[index])).join(""));
}

const raw = (text: string): Markup => new Markup(text);

/**
 * A student's copy as one page that needs nothing else: no script, no address outside; sound, pictures and files stand in
 * it. Its policy forbids fetching anything.
 */
export function studentCopyHtml(copy: StudentCopyContent, outside: HtmlParts): string {
  const parts: PageParts = { ...outside, figure: (text) => withMark(text, copy.decimalMark) };
  const nothing = copy.letters.length + copy.totals.length === 0;
  const page = html`<!doctype html>
    <html lang="en">
      <head>
        <meta charset="utf-8" />
        <meta
          http-equiv="Content-Security-Policy"
          content="default-src 'none'; style-src 'unsafe-inline'; img-src data:; media-src data:"
        />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>${copy.course}, for ${copy.name}</title>
        <style>
          ${raw(COPY_STYLE)}
        </style>
      </head>
      <body>
        <main>
          <header>
            <h1>${copy.course}</h1>
            <p>For ${copy.name}, ${copy.number}${copy.institution && ` · ${copy.institution}`}</p>
            <p>As it stood on ${longMomentText(copy.madeAt, copy.timeZone)}</p>
          </header>
          ${nothing && html`<p>Nothing has been released to you yet.</p>`}
          ${
            copy.totals.length > 0 &&
            html`<section>
              <h2>Where you stand</h2>
              ${copy.totals.map((total) => totalPart(total, parts))}
            </section>`
          }
          ${copy.letters.map((letter) => letterPart(letter, copy, parts))}
          ${
            copy.announced.length > 0 &&
            html`<section>
              <h2>Announced work</h2>
              ${copy.announced.map((work) => announcedPart(work, copy, parts))}
            </section>`
          }
        </main>
      </body>
    </html> `;
  return page.text;
}

/** What is to be done, and by when: the same for everyone. */
function announcedPart(work: Announced, { timeZone }: StudentCopyContent, parts: PageParts): Markup {
  const facts = [
    work.dueAt && `due ${longMomentText(work.dueAt, timeZone)}`,
    work.bonus ? "bonus" : parts.figure(pointsWords(work.points)),
  ].filter(Boolean);
  return html`<h3>${work.name}</h3>
    <p class="soft">${facts.join(" · ")}</p>
    ${work.task !== "" && html`<div class="words">${raw(parts.formatted(work.task))}</div>`}
    ${work.note !== "" && html`<p class="words">${work.note}</p>`}
    ${work.files.map((file) => filePart(file, parts.files))}
    ${
      work.rubric &&
      html`<details>
        <summary>How it will be judged</summary>
        ${work.rubric.map(
          (criterion) =>
            html`<p class="ends">
                <span>${criterion.name}</span><strong>of ${parts.figure(criterion.maximum)}</strong>
              </p>
              <ul class="items">
                ${criterion.levels.map((level) => html`<li>${level.name}, ${parts.figure(`${level.min} to ${level.max}`)}${level.descriptor !== "" && `: ${level.descriptor}`}</li>`)}
              </ul>`,
        )}
      </details>`
    }`;
}

const totalPart = (total: TotalCopy, { figure }: PageParts): Markup =>
  html`<h3 class="ends total">
      <span>${total.name}</span><strong>${figure(total.text)}${total.shows === "percent" && " %"}</strong>
    </h3>
    <p class="soft">
      ${total.restsOnSealed ? "It takes in work that is not released yet." : "It rests on what you see here."}
    </p>
    <details>
      <summary>How it came about</summary>
      ${total.parts.map(
        (part) =>
          html`<p class="ends">
              <span>${part.name}${part.weight !== null && ` · weight ${figure(part.weight)} %`}</span
              ><span>${figure(toldWords(part.told) ?? "not shown")}</span>
            </p>
            <ul class="items">
              ${part.items.map((item) => html`<li class="ends"><span>${item.name}</span><span>${figure(toldWords(item.told) ?? "not released")}</span></li>`)}
            </ul>`,
      )}
    </details>`;

function letterPart(letter: CopyLetter, { timeZone, name }: StudentCopyContent, parts: PageParts): Markup {
  const { assignment, score, rubric, comments, outcomes, classFigures, messages } = letter;
  return html`<section>
    <h2>${assignment.name}</h2>
    ${comments && comments.overall !== "" && html`<div class="words">${raw(parts.formatted(comments.overall))}</div>`}
    ${rubric && rubricPart(rubric, comments, parts)} ${score && scorePart(score, parts)}
    ${classFigures && html`<p class="soft">${parts.figure(classFiguresWords(classFigures))}</p>`}
    ${outcomes && outcomesPart(outcomes)}
    ${
      comments &&
      !rubric &&
      comments.criteria.map(
        ({ name: of, comment }) =>
          html`<h3>${of}</h3>
            <p class="words">${comment}</p>`,
      )
    }
    ${comments && otherNotes(comments, rubric)}
    ${comments && [...comments.files, ...comments.attachments].map((file) => filePart(file, parts.files))}
    ${
      messages.length > 0 &&
      html`<h3>Conversation</h3>
        ${messages.map(
          ({ from, text, at }) =>
            html`<p class="soft">${from === "student" ? name : "Your instructor"}, ${momentText(at, timeZone)}</p>
              <p class="words">${text}</p>`,
        )}`
    }
  </section>`;
}

const outcomesPart = ({ rows, attainment }: OutcomesCopy): Markup =>
  html`<h3>Outcomes, apart from the score</h3>
    ${rows.map(
      (row) =>
        html`<div class="row">
          <p class="ends"><span>${row.name}</span><strong>${row.level ?? "–"}</strong></p>
          ${row.descriptor !== "" && html`<p class="soft">${row.descriptor}</p>`}
          ${row.comment !== "" && html`<p class="words">${row.comment}</p>`}
        </div>`,
    )}
    ${attainment && html`<p class="ends"><span>${attainment.scale}</span><strong>${attainment.level}</strong></p>`}`;

function scorePart(score: ScoreCopy, { figure }: PageParts): Markup {
  const deduction = deductionWords(score);
  return html`<p class="ends total"><span>Score</span><strong>${figure(scoreWords(score))}</strong></p>
    ${deduction && html`<p class="soft right">${figure(deduction)}</p>`}`;
}

function rubricPart(rubric: RubricCopy, comments: CommentsCopy | null, { figure }: PageParts): Markup {
  return html`${rubric.rows.map(
    (row) =>
      html`<div class="row">
        <p class="ends">
          <span>${row.name}</span
          ><strong>${row.notApplicable ? "does not apply" : figure(ofMaximum(row.points, row.maximum))}</strong>
        </p>
        ${row.level && html`<p class="soft">${[row.level, row.descriptor].filter(Boolean).join(": ")}</p>`}
        ${comments && comments.criteria.filter(({ criterionId }) => criterionId === row.criterionId).map(({ comment }) => html`<p class="words">${comment}</p>`)}
        ${comments && notesPart(comments.notes.filter(({ criterionId }) => criterionId === row.criterionId))}
      </div>`,
  )}${rubric.answers.map(
    (answer, index) =>
      html`<div class="row">
        <p class="ends">
          <span>${index + 1}. ${answer.prompt}</span
          ><strong>${figure(ofMaximum(answer.points, answer.maximum))}</strong>
        </p>
        <p class="soft words">${answer.text || "no answer"}</p>
        ${answer.comment && html`<p class="words">${answer.comment}</p>`}
      </div>`,
  )}`;
}

/** Notes that stand under no criterion of the rubric shown. */
function otherNotes(comments: CommentsCopy, rubric: RubricCopy | null): Markup | null {
  const listed = new Set<string | null>(rubric?.rows.map(({ criterionId }) => criterionId));
  const notes = comments.notes.filter(({ criterionId }) => !listed.has(criterionId));
  return notes.length === 0
    ? null
    : html`<h3>On your work</h3>
        ${notesPart(notes)}`;
}

const notesPart = (notes: CommentsCopy["notes"]): Markup | null =>
  notes.length === 0
    ? null
    : html`<ul class="notes">
        ${notes.map(
          ({ target, body, mark }) =>
            html`<li>
              ${target.kind === "passage" && html`<q class="${mark === "strikeout" && "struck"}">${target.exact}</q>`}${body && html`<p>${body}</p>`}
            </li>`,
        )}
      </ul>`;

/** A file inside the page: sound and video are played, pictures shown, everything else saved. */
function filePart(file: WorkFile, files: CopyFiles): Markup {
  const found = files.get(file.id);
  if (!found) return html`<p class="soft">${file.name} could not be put into this copy.</p>`;
  const address = raw(`data:${escaped(found.mediaType)};base64,${base64(found.bytes)}`);
  const save = html`<a download="${found.name}" href="${address}">Save ${found.name}</a>`;
  const [kind] = found.mediaType.split("/");
  if (kind === "audio") return html`<p class="file">${found.name}<br /><audio controls src="${address}"></audio></p>`;
  if (kind === "video") return html`<p class="file">${found.name}<br /><video controls src="${address}"></video></p>`;
  if (kind === "image") return html`<p class="file"><img alt="${found.name}" src="${address}" /><br />${save}</p>`;
  return html`<p class="file">${save}</p>`;
}
