import { defineConfig } from "vitest/config";

// Logic alone, without a browser; screens are driven in a real one.
export default defineConfig({
  test: { include: ["tests/**/*.test.ts"], setupFiles: ["tests/setup.ts"] },
});
