import { postsPage } from "#core/formats";
import type { FileId, Id, Instant } from "#core/kernel";
import type { Post, WorkFile } from "#core/model";
import { PEOPLE } from "./people";

type DemoPost = readonly [id: number, who: string, at: string, replyTo: number | null, text: string];

/** The seminar on rating curves, as it was posted over four days. */
const POSTS: readonly DemoPost[] = [
  [
    1,
    "anouk-brisk",
    "2026-11-10T09:12:00Z",
    null,
    "Our rating at the footbridge rests on nine gaugings, and the highest of them was made at 1.9 m. On 14 October the stage was 2.7 m. Everything we say about that day is a line drawn beyond its last point.\n\nSo I would like to begin with this: who has been to the bank at more than 2 m, and what did you see the river do there?",
  ],
  [
    2,
    "yusuf-calder",
    "2026-11-10T10:40:00Z",
    1,
    "I walked past at about 2.4 m. The water was in the willows on the left bank and stood nearly still between them. A straight line on log paper takes no notice of willows.",
  ],
  [
    3,
    "hano-abeyra",
    "2026-11-10T11:05:00Z",
    1,
    "Is it not enough to fit the power law? It has the right form for a wide channel, and our residuals are below 4 per cent.",
  ],
  [
    4,
    "anouk-brisk",
    "2026-11-10T13:31:00Z",
    3,
    "The residuals say how well it fits where we measured. They say nothing about 2.7 m. Above the bank the width jumps from 18 m to about 60 m, so it is another channel with another law.",
  ],
  [
    5,
    "hano-abeyra",
    "2026-11-10T15:02:00Z",
    4,
    "Agreed, I had not thought of the width. Then the flow on the 14th could be far larger than our 96 cubic metres a second, or hardly larger, if the water in the willows stands still.",
  ],
  [
    6,
    "mei-barrow",
    "2026-11-11T08:20:00Z",
    2,
    "We could cut the section in two: the channel with our law, and the willows with a Manning estimate. I looked up roughness for dense brush and found 0.10 to 0.16. With a slope of 0.0008 and half a metre of depth the willows carry 3 to 5 cubic metres a second. So Yusuf is right: they hardly matter.",
  ],
  [7, "yusuf-calder", "2026-11-11T08:55:00Z", 6, "That is a lovely figure. It turns my walk into an argument."],
  [
    8,
    "dagny-kvist",
    "2026-11-11T17:44:00Z",
    null,
    "A different worry. The gauge board was moved in 1987 and nobody wrote down by how much. If the zero shifted by 10 cm, every stage before then is wrong by 10 cm, and at low water that is a quarter of the flow.",
  ],
  [
    9,
    "cato-mirelle",
    "2026-11-11T19:03:00Z",
    8,
    "The daily sheets help. I compared the lowest stage of each summer for ten years before and ten years after: 0.31 m and 0.42 m. The summers were no wetter by the rain gauge at the mill. So I would say 11 cm, give or take 3.",
  ],
  [
    10,
    "dagny-kvist",
    "2026-11-11T20:15:00Z",
    9,
    "Can you put the list here? I would like to do the same with the winters.",
  ],
  [
    11,
    "cato-mirelle",
    "2026-11-12T07:50:00Z",
    10,
    "Gladly. Before: 0.30, 0.33, 0.29, 0.31, 0.34, 0.30, 0.28, 0.33, 0.31, 0.32. After: 0.41, 0.44, 0.42, 0.40, 0.43, 0.45, 0.41, 0.40, 0.42, 0.43.",
  ],
  [
    12,
    "sanna-wiik",
    "2026-11-12T12:25:00Z",
    9,
    "Would the bed not have moved as well in twenty years? Then the lowest stage rises without anyone touching the board.",
  ],
  [
    13,
    "cato-mirelle",
    "2026-11-12T18:10:00Z",
    12,
    "It would rise slowly, though, and this is a step between two summers. But you are right that I should show the years one by one and not two means.",
  ],
  [
    14,
    "rhun-hask",
    "2026-11-13T22:58:00Z",
    null,
    "I agree with what was said about the gauge. Interesting discussion.",
  ],
];

const studentOf = (slug: string) => `student:${slug}` as Id<"student">;

/** The posts as the course keeps them. */
export const demoPosts: readonly Omit<Post, "assignmentId">[] = POSTS.map(([id, who, at, replyTo, text]) => ({
  id: `post:seminar-${String(id)}` as Id<"post">,
  studentId: studentOf(who),
  replyTo: replyTo === null ? null : (`post:seminar-${String(replyTo)}` as Id<"post">),
  at: at as Instant,
  text,
}));

/** Each student's own posts as one page. */
export interface DemoPostFile {
  readonly studentId: Id<"student">;
  readonly at: Instant;
  readonly file: WorkFile;
  readonly html: string;
}

const day = new Intl.DateTimeFormat("en-GB", {
  day: "numeric",
  month: "long",
  hour: "2-digit",
  minute: "2-digit",
  timeZone: "Europe/Berlin",
});

/** The pages that students hand in with their posts. */
export const demoPostFiles = (): DemoPostFile[] =>
  PEOPLE.flatMap(({ slug, number, givenName, familyName }) => {
    const own = demoPosts.filter(({ studentId }) => studentId === studentOf(slug));
    const last = own.at(-1)?.at;
    if (!last) return [];
    const headings = own.map(({ at }) => (at ? day.format(new Date(at)) : ""));
    const html = postsPage(`Seminar discussion: ${givenName} ${familyName}`, own, headings);
    const size = new TextEncoder().encode(html).length;
    const id = `file:posts-${slug}` as FileId;
    return [
      {
        studentId: studentOf(slug),
        at: last,
        html,
        file: { id, name: `Posts ${number}.html`, mediaType: "text/html", size },
      },
    ];
  });

/** The assignment the posts belong to. */
export const SEMINAR = "assignment:seminar" as Id<"assignment">;
