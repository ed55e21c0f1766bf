import type { Finding } from "#core/release";
import { counted } from "#core/words";

/** The sentence of a preflight finding, and the word of the way to the papers it means; empty where there is none. */
export function releaseFindingWords({ code, count }: Pick<Finding, "code" | "count">): {
  readonly text: string;
  readonly way: string;
} {
  const papers = counted(count, "paper");
  switch (code) {
    case "leaks":
      return { text: `${counted(count, "student")} could work out a sealed score`, way: "See how" };
    case "moderation_open":
      return { text: "Held for the board: nobody sees anything of it until it is let go", way: "" };
    case "moderation_unsettled":
      return { text: `Second marking: ${papers} not settled`, way: "Settle" };
    case "class_too_small":
      return {
        text: `Class figures over ${counted(count, "paper")} would tell too much; they stay sealed until 5 are scored`,
        way: "",
      };
    case "class_difference":
      return {
        text: `Class figures were given out before; their change would tell about ${counted(count, "paper")}`,
        way: "",
      };
    case "held_back":
      return { text: `${counted(count, "student")} held back one by one; they will see nothing of it`, way: "Look" };
    case "waiting":
      return { text: `${papers} handed in and not scored; they will not go out`, way: "Score them" };
    case "undecided":
      return { text: `${counted(count, "student")} not in and not decided: missing or excused`, way: "Decide" };
    case "more_time_open":
      return {
        text: `${counted(count, "student")} with more time and nothing in yet; what goes out may tell them of the work`,
        way: "Look",
      };
    case "above_maximum":
      return { text: `${counted(count, "score")} above the maximum`, way: "Look" };
    case "no_comment":
      return { text: `${papers} ${count === 1 ? "has" : "have"} no comment`, way: "Look" };
    case "evidence_lacking":
      return { text: `${papers} with a level given and no passage for it, where the rubric asks for one`, way: "Look" };
    case "replies_unread":
      return { text: `${counted(count, "student")} wrote something that nobody has read`, way: "Read" };
    case "changed":
      return { text: `${counted(count, "student")} would see something else than was released; listed below`, way: "" };
    case "rubric_tells_score":
      return {
        text: `Rubric detail lets ${counted(count, "student")} add up the sealed score. Release the score with it, or keep both sealed.`,
        way: "",
      };
    case "all_scored":
      return { text: `All ${String(count)} are scored, missing or excused`, way: "" };
  }
}
