import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { compression } from 'vite-plugin-compression2'

export default defineConfig({
  // Scripts and styles are packed once, when they are built; the server sends them as they lie there.
  plugins: [
    react(),
    compression({ algorithms: ['brotliCompress', 'gzip'], include: /\.(js|css)$/, threshold: 0 }),
  ],
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    rolldownOptions: {
      output: {
        // What every page is made of comes in one file, so that the first page asks for little.
        codeSplitting: {
          groups: [
            {
              name: 'base',
              test: /src\/(api|app|theme|ui)\/|node_modules\/(@chakra-ui|@ark-ui|@zag-js|@emotion|@tanstack|@dnd-kit|react|react-dom|react-router|scheduler|openapi-|lucide-react|@floating-ui)/,
              minShareCount: 2,
            },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
})
