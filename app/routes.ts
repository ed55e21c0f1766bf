import { index, route, type RouteConfig } from "@react-router/dev/routes";

export default [
  index("routes/home/page.tsx"),
  route("courses/:slot", "routes/course/page.tsx", [
    index("routes/board/page.tsx"),
    route("change", "routes/change/route.ts"),
    route("plan", "routes/plan/page.tsx"),
    route("score", "routes/score/page.tsx"),
    route("score/:assignmentId/:studentId", "routes/desk/page.tsx"),
    route("release", "routes/release/page.tsx"),
    route("gradebook", "routes/gradebook/page.tsx"),
    route("students", "routes/students/page.tsx"),
    route("journal", "routes/journal/page.tsx"),
    route("files", "routes/files/page.tsx"),
  ]),
  route("window/:slot/:studentId", "routes/window/page.tsx"),
] satisfies RouteConfig;
