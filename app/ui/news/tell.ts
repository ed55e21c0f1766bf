/** What has just happened, in a sentence, and what can be done about it. */
export interface News {
  readonly words: string;
  readonly act?: { readonly words: string; readonly run: () => void };
}

/** Says something at the foot of the screen. What shows it may come later: it is said then. */
export function tellNews(news: News): void {
  void import("./toaster").then(({ show }) => {
    show(news);
  });
}
