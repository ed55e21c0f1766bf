import { index, route, type RouteConfig } from "@react-router/dev/routes";

export default [
  index("routes/home/page.tsx"),
  route("courses/:slot", "routes/course/page.tsx", [
    index("routes/board/page.tsx"),
    route("change", "routes/change/route.ts"),
    route("plan", "routes/plan/page.tsx"),
    route("plan/course", "routes/setup/page.tsx"),
    route("plan/course/copy", "routes/copy/route.ts"),
    route("plan/attach", "routes/attach/route.ts"),
    route("plan/copy-assignment", "routes/copy-assignment/route.ts"),
    route("plan/rules", "routes/rules/page.tsx"),
    route("plan/rubrics", "routes/rubrics/page.tsx"),
    route("plan/rubrics/:rubricId", "routes/rubric/page.tsx"),
    route("plan/assignments/:assignmentId", "routes/assignment/page.tsx"),
    route("score", "routes/score/page.tsx"),
    route("score/:assignmentId/:studentId", "routes/desk/page.tsx"),
    route("pile/:assignmentId", "routes/pile/page.tsx"),
    route("release", "routes/release/page.tsx"),
    route("gradebook", "routes/gradebook/page.tsx"),
    route("students", "routes/students/page.tsx"),
    route("students/:studentId", "routes/student/page.tsx"),
    route("journal", "routes/journal/page.tsx"),
    route("journal/undo", "routes/undo/route.ts"),
    route("files", "routes/files/page.tsx"),
  ]),
  route("window/:slot/:studentId", "routes/window/page.tsx"),
] satisfies RouteConfig;
