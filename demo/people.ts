/** Invented students of the demo course, in the order of the roster, and their field sections. */
export const SECTIONS = ["Heron", "Kingfisher"] as const;

const NAMES = [
  "Aldous Brenn",
  "Anouk Brisk",
  "Bram Oduya",
  "Cato Mirelle",
  "Clea Vantor",
  "Dagny Kvist",
  "Dov Amsel",
  "Esi Okonwe",
  "Faruq Rahel",
  "Greta Lindqvar",
  "Hano Abeyra",
  "Ilse Tarnowe",
  "Jorun Nakade",
  "Kesi Strand",
  "Lorcan Pell",
  "Mei Barrow",
  "Nadir Quill",
  "Oona Dufresne",
  "Paz Verano",
  "Rhun Hask",
  "Sanna Wiik",
  "Tobiah Elm",
  "Ulla Fenwick",
  "Viggo Tamsin",
  "Wren Halloran",
  "Xanthe Moor",
  "Yusuf Calder",
  "Zelda Orme",
];

export interface DemoPerson {
  readonly slug: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly number: string;
  readonly email: string;
  readonly section: 0 | 1;
}

export const PEOPLE: readonly DemoPerson[] = NAMES.map((name, index) => {
  const [givenName = "", familyName = ""] = name.split(" ");
  return {
    slug: name.toLowerCase().replace(" ", "-"),
    givenName,
    familyName,
    number: `L${String(26_041 + index * 7)}`,
    email: `${name.toLowerCase().replace(" ", ".")}@larkmere.example`,
    section: index % 2 === 0 ? 0 : 1,
  };
});
