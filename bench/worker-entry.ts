import { computeCourse } from "#core/totals";
import { madeUpCourse } from "./flat-course";

// The same computation in a web worker: the page asks, and watches whether it is ever held up.
onmessage = ({ data }: MessageEvent<{ students: number; assignments: number; rounds: number }>) => {
  const course = madeUpCourse(data.students, data.assignments, false);
  const times: number[] = [];
  for (let round = 0; round < data.rounds; round += 1) {
    const start = performance.now();
    computeCourse(course);
    times.push(performance.now() - start);
  }
  postMessage(times);
};
