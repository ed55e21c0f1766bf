/**
 * The text of a page as it is counted: the text nodes under `root` in order, with each run of white space, and each
 * line break, as one space, and none at the start. Positions count code points.
 */
export interface TextMap {
  readonly text: string;
  readonly length: number;
  /** Null when the range is outside the text. */
  readonly toRange: (start: number, end: number) => Range | null;
  /** Where its paragraphs and headings begin, in order. */
  readonly starts: readonly { readonly at: number; readonly heading: boolean }[];
  /** The position of a place in the document. */
  readonly positionOf: (node: Node, offset: number) => number;
}

interface Unit {
  readonly node: Text;
  readonly from: number;
  readonly to: number;
}

/** Elements that begin a new line. */
const BREAKS = /^(?:BR|P|DIV|LI|TR|TD|TH|DT|DD|H[1-6]|SECTION|ARTICLE|BLOCKQUOTE|PRE|FIGURE|TABLE)$/;

export function mapText(root: HTMLElement, ownLines = false): TextMap {
  const units: Unit[] = [];
  let text = "";
  let afterSpace = true;
  const starts: { at: number; heading: boolean }[] = [];
  const begin = (heading: boolean) => {
    const last = starts.at(-1);
    if (last?.at === units.length) last.heading ||= heading;
    else starts.push({ at: units.length, heading });
  };
  const addSpace = (unit: Unit) => {
    if (afterSpace) return;
    units.push(unit);
    text += " ";
    afterSpace = true;
  };
  // What stands beside the work, as others' posts, is no part of its text.
  const isAside = (node: Node) => node instanceof Element && node.hasAttribute("data-aside");
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT | NodeFilter.SHOW_ELEMENT, (node) =>
    isAside(node) ? NodeFilter.FILTER_REJECT : NodeFilter.FILTER_ACCEPT,
  );
  let last: Text | null = null;
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    if (node instanceof Text) {
      last = node;
      let offset = 0;
      for (const character of node.data) {
        const unit = { node, from: offset, to: offset + character.length };
        offset = unit.to;
        if (/\s/.test(character)) {
          addSpace(unit);
          if (ownLines && character === "\n") begin(false);
          continue;
        }
        units.push(unit);
        text += character;
        afterSpace = false;
      }
    } else if (BREAKS.test((node as Element).tagName)) {
      if (last) addSpace({ node: last, from: last.length, to: last.length });
      begin(/^H\d$/.test((node as Element).tagName));
    }
  }
  return {
    text,
    length: units.length,
    starts,
    toRange: (start, end) => {
      const first = units[start];
      const final = units[end - 1];
      if (!first || !final) return null;
      const range = document.createRange();
      range.setStart(first.node, first.from);
      range.setEnd(final.node, final.to);
      return range;
    },
    positionOf: (node, offset) => {
      const point = document.createRange();
      point.setStart(node, offset);
      const isBefore = (unit: Unit) => point.comparePoint(unit.node, unit.from) < 0;
      let low = 0;
      let high = units.length;
      while (low < high) {
        const middle = (low + high) >> 1;
        const unit = units[middle];
        if (unit && isBefore(unit)) low = middle + 1;
        else high = middle;
      }
      return low;
    },
  };
}

/** The same counting for text that is not on a page yet. */
export const singleSpaced = (text: string): string => text.replace(/\s+/gu, " ").trimStart();

/** A rectangle in shares of its page. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * The rectangles of a range's letters. Those of whole elements, which a range gives for what it holds entirely, are left out:
 * a paragraph's covers all its lines, and a line of a PDF's invisible text is lower than its letters.
 */
function* letterRects(range: Range): Generator<DOMRect> {
  const walk = document.createTreeWalker(range.commonAncestorContainer, NodeFilter.SHOW_TEXT);
  const piece = document.createRange();
  for (let node: Node | null = walk.currentNode; node; node = walk.nextNode()) {
    if (!(node instanceof Text) || !range.intersectsNode(node)) continue;
    piece.setStart(node, node === range.startContainer ? range.startOffset : 0);
    piece.setEnd(node, node === range.endContainer ? range.endOffset : node.length);
    yield* piece.getClientRects();
  }
}

/** The lines of a range as boxes on its page; pieces of one line are joined. */
export function boxesOf(range: Range, page: HTMLElement): Box[] {
  const frame = page.getBoundingClientRect();
  const boxes: { left: number; right: number; top: number; bottom: number }[] = [];
  for (const rect of letterRects(range)) {
    if (rect.width < 1 || rect.height < 1) continue;
    const line = boxes.find((box) => Math.min(box.bottom, rect.bottom) - Math.max(box.top, rect.top) > rect.height / 2);
    if (line) {
      line.left = Math.min(line.left, rect.left);
      line.right = Math.max(line.right, rect.right);
      line.top = Math.min(line.top, rect.top);
      line.bottom = Math.max(line.bottom, rect.bottom);
    } else {
      boxes.push({ left: rect.left, right: rect.right, top: rect.top, bottom: rect.bottom });
    }
  }
  return boxes.map(({ left, right, top, bottom }) => ({
    x: (left - frame.left) / frame.width,
    y: (top - frame.top) / frame.height,
    width: (right - left) / frame.width,
    height: (bottom - top) / frame.height,
  }));
}
