/** A page of a made-up field notebook: its lines, and a section across the river as points in shares of the page. */
export interface NotebookPage {
  readonly lines: readonly string[];
  readonly sketch: readonly (readonly [x: number, y: number])[];
}

const REACHES = ["Alder Ford", "Mill Bend", "Lower Weir", "Hanger Wood", "Stony Reach", "Ossel Bridge"];
const WEATHERS = ["dry, light wind", "drizzle since nine", "clear, 11 degrees", "showers, river rising"];
const REMARKS = [
  "Weed on the left bank holds the meter back; moved it 0.3 m.",
  "Stage rose 2 cm while we measured. Mean of both taken.",
  "Did not reach the bed at vertical 5: 0.1 m guessed.",
  "Counted for 60 s each, twice where the two differ.",
  "The tape sagged. Widths are perhaps 1 % too long.",
  "Forgot to write the time of the first reading.",
];

const pick = <T>(list: readonly T[], seed: number): T => list[seed % list.length] as T;
const round = (value: number, places: number): string => value.toFixed(places);

/** The notebook of the nth student: notes on the day, a table of verticals, a sketch of the section. */
export function notebookPages(place: number): readonly NotebookPage[] {
  const verticals = 6 + (place % 3);
  const depths = Array.from(
    { length: verticals },
    (_, index) => 0.18 + 0.44 * Math.sin((Math.PI * (index + 1)) / (verticals + 1)) + 0.02 * ((place + index) % 4),
  );
  const rows = depths.map((depth, index) => {
    const speed = 0.21 + depth * 0.62 + 0.01 * ((place * 3 + index) % 5);
    return `${String(index + 1)}     ${round(0.6 * (index + 1), 2)} m     ${round(depth, 2)} m     ${round(speed, 3)} m/s`;
  });
  const flow = depths.reduce((sum, depth) => sum + depth * 0.6 * (0.21 + depth * 0.62), 0);
  const bed = depths.map((depth, index): readonly [number, number] => [
    0.16 + (0.68 * (index + 1)) / (verticals + 1),
    0.42 + depth * 0.42,
  ]);
  return [
    {
      lines: [
        `${pick(REACHES, place)}, 2 October`,
        `Weather: ${pick(WEATHERS, place)}`,
        `Stage at the start ${round(0.74 + 0.03 * (place % 5), 2)} m, at the end ${round(0.76 + 0.03 * (place % 5), 2)} m`,
        "Meter: propeller, one rod, six tenths of the depth",
        "",
        pick(REMARKS, place),
        pick(REMARKS, place + 2),
      ],
      sketch: [],
    },
    { lines: ["vertical   from left   depth   speed", ...rows, "", `Sum: Q = ${round(flow, 3)} m3/s`], sketch: [] },
    {
      lines: ["Section looking downstream, drawn to scale across, depth times two"],
      sketch: [[0.16, 0.4], [0.16, 0.42], ...bed, [0.84, 0.42], [0.84, 0.4], [0.16, 0.42]],
    },
  ];
}
