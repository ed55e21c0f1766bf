import { eachOf, TABLE_NAMES, type CourseState } from "#core/model";

/**
 * The tables of a course as the text of `records.json`, record by record: what `JSON.stringify` gives of all tables with
 * an indent of one, without ever being one string.
 */
export function* recordsText(state: CourseState): Generator<string> {
  let before = "{";
  for (const table of TABLE_NAMES) {
    yield `${before}\n "${table}": `;
    before = ",";
    let beforeRecord = "{";
    for (const [id, record] of eachOf(state, table)) {
      yield `${beforeRecord}\n  ${JSON.stringify(id)}: ${indented(record)}`;
      beforeRecord = ",";
    }
    yield beforeRecord === "{" ? "{}" : "\n }";
  }
  yield "\n}\n";
}

// Within a text JSON has no line ends of its own: each belongs to the layout.
const indented = (record: unknown): string => JSON.stringify(record, null, 1).replaceAll("\n", "\n  ");
