import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    environment: 'happy-dom',
    include: ['src/**/*.test.{ts,tsx}'],
    // A busy machine has its time.
    testTimeout: 60_000,
    setupFiles: ['src/testSetup.ts'],
    restoreMocks: true,
    unstubGlobals: true,
  },
})
