import type { Finding } from "#core/release";
import { counted } from "../../ui/words";

/** The sentence of a preflight finding, and the word of the way to it. */
export function findingWords({ code, count }: Finding): { readonly text: string; readonly way: string } {
  const papers = counted(count, "paper");
  switch (code) {
    case "waiting":
      return { text: `${papers} handed in and not scored; they will not go out`, way: "Score them" };
    case "undecided":
      return { text: `${counted(count, "student")} not in and not decided: missing or excused`, way: "Decide" };
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
