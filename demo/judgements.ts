/** How the demo's marker judged the memos: points per criterion, an overall comment, and notes on passages. */
export interface MemoJudgement {
  readonly points: readonly [string, string, string];
  readonly comment?: string;
  readonly notes?: readonly {
    readonly quote: string;
    readonly criterion?: 1 | 2 | 3;
    readonly strike?: true;
    readonly body: string;
  }[];
}

export const MEMO_JUDGEMENTS: Readonly<Record<string, MemoJudgement>> = {
  "aldous-brenn": {
    points: ["8", "7.5", "6"],
    comment:
      "Aldous, you show each step, and your friend's ruler is the best uncertainty estimate in the memo. Use it.",
    notes: [
      {
        quote: "I used n = 44 because the record runs over 44 years.",
        criterion: 1,
        body: "Only 41 of them have a maximum. What becomes of T?",
      },
      {
        quote: "Everyone who lives near the river knows that the floods are bigger now",
        criterion: 2,
        body: "A claim without data. The record can test it.",
      },
    ],
  },
  "anouk-brisk": {
    points: ["15", "19", "10"],
    comment: "Anouk, the bus stop is the best experiment of the term. I would print your second page.",
    notes: [
      {
        quote: "the chance of two or more in a hundred years is 26 per cent",
        criterion: 2,
        body: "Right, and few would have checked.",
      },
    ],
  },
  "bram-oduya": {
    points: ["17.5", "20", "9"],
    comment: "Bram, you answered the question behind the question. The rating solved backwards is exactly right.",
    notes: [{ quote: "In levels it is half a metre.", criterion: 2, body: "This is the sentence the board needs." }],
  },
  "cato-mirelle": {
    points: ["20", "18", "8.5"],
    comment: "Cato, checking each maximum against the daily sheets is what a record deserves.",
    notes: [{ quote: "I used 190", criterion: 1, body: "Good: you say what you did and why." }],
  },
  "clea-vantor": {
    points: ["10", "4", "6.5"],
    comment: "Clea, one sign turned the memo over. Look at your comparison with the record again: it told you so.",
    notes: [
      { quote: "148 + 3.14 + 47 = 198", criterion: 2, body: "Times, not plus: 148 + 3.14 x 47." },
      {
        quote: "It shows that the second half of the twentieth century was a time with unusually many floods.",
        criterion: 2,
        body: "Or that the figure is wrong. Which is likelier?",
      },
    ],
  },
  "dagny-kvist": {
    points: ["15.5", "17", "8"],
    comment: "Dagny, the burrows are worth more than my deduction. The rule is the rule.",
  },
  "dov-amsel": { points: ["13", "16", "9.5"], comment: "Dov, over and through: thank you for the distinction." },
  "esi-okonwe": {
    points: ["8", "3.5", "4"],
    comment: "Esi, two things to see me about: what a return period is, and the unit on your axis.",
    notes: [
      { quote: "it is overdue", criterion: 2, body: "Rivers do not keep a timetable." },
      { quote: "310 litres per second", criterion: 2, body: "A garden pump. Check the unit." },
      {
        quote: "Floods are a natural disaster that has affected people since the beginning of history.",
        strike: true,
        body: "Begin with the second sentence.",
      },
    ],
  },
  "faruq-rahel": {
    points: ["16.5", "18.5", "9"],
    comment: "Faruq, a bet with known stakes and unknown odds. I shall quote you.",
  },
  "hano-abeyra": {
    points: ["19", "19.5", "8"],
    comment: "Hano, the two thousand samples are convincing because you say at once what they do not cover.",
    notes: [{ quote: "about one sample in fourteen", criterion: 2, body: "From which number of samples? Say it." }],
  },
  "sanna-wiik": {
    points: ["16", "12", "7"],
    comment: "Sanna, solid work. Trying two figures for the gap is just the thing.",
  },
  "tobiah-elm": {
    points: ["9", "11.5", "7.5"],
    comment: "Tobiah, greetings back to your grandmother. The sports ground is a real finding.",
  },
  "viggo-tamsin": { points: ["15", "18", "8.5"], comment: "Viggo, you distrust the right thing for the right reason." },
  "wren-halloran": {
    points: ["12", "10.5", "5.5"],
    comment: "Wren, your sums are clean. Four decimals of a figure that is good to ten per cent are not.",
    notes: [
      {
        quote: "which shows that the Gumbel distribution is the correct one for this river",
        criterion: 2,
        body: "It shows that a line fits. Other laws would fit too.",
      },
    ],
  },
  "xanthe-moor": { points: ["18.5", "18", "10"], comment: "Xanthe, five sentences. I have nothing to add." },
  "yusuf-calder": { points: ["11", "9", "5"] },
  "zelda-orme": {
    points: ["4", "5", "6"],
    comment: "Zelda, I like the signs. Now show the board why 300 and not 200.",
  },
};
