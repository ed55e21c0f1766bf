/** What has just happened, in a sentence, and what can be done about it. */
export interface News {
  readonly words: string;
  /** News of one kind takes the place of older news of it. */
  readonly kind: string;
  readonly act?: { readonly words: string; readonly run: () => void };
}

/** Says something at the foot of the screen; what shows it comes when there is the first news. */
export function tellNews(news: News): void {
  void import("./toaster").then(({ show }) => {
    show(news);
  });
}
