import { Link } from "react-router";

const PLACES = [
  ["release/leaks", "Leak check"],
  ["release/deliver", "Student copies"],
  ["release/post", "Post office"],
  ["release/remind", "Reminders"],
  ["release/grades", "Final grades"],
] as const;

/** The ways from the seals to what leaves the course. */
export function ReleaseLinks({ slot }: { readonly slot: string }) {
  return (
    <nav aria-label="More about release" className="flex flex-wrap gap-x-4 text-[14px]">
      {PLACES.map(([place, words]) => (
        <Link key={place} className="link" to={`/courses/${slot}/${place}`}>
          {words}
        </Link>
      ))}
    </nav>
  );
}
