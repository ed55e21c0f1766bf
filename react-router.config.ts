import type { Config } from "@react-router/dev/config";

export default {
  // Data lives in the browser, so the build is a static shell and no server ever renders student data.
  ssr: false,
  routeDiscovery: { mode: "initial" },
  future: {
    v8_middleware: true,
    v8_splitRouteModules: "enforce",
    v8_viteEnvironmentApi: true,
  },
} satisfies Config;
