import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { compression } from 'vite-plugin-compression2'

export default defineConfig({
  // Scripts and styles are packed once, when they are built; the server sends them as they lie there.
  plugins: [
    react(),
    compression({ algorithms: ['brotliCompress', 'gzip'], include: /\.(js|css)$/, threshold: 0 }),
  ],
  build: { outDir: 'dist', emptyOutDir: true, assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
})
