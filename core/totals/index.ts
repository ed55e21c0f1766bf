export { figuresOf, progressOf, type CourseFigures, type Progress, type StudentTotals } from "./course-figures";
export { figureOf, type Figure, type Standing } from "./figure";
export { courseTotal, letterOf, poolParts, type Outlook, type Part, type Pool } from "./totals";
