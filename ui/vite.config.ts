import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  // Fonts stay files of their own: a data: address would need a wider content policy.
  build: { outDir: 'dist', emptyOutDir: true, assetsInlineLimit: 0, chunkSizeWarningLimit: 900 },
  // The application writes the nonce of each answer in its place.
  html: { cspNonce: 'nonce-of-this-answer' },
  server: { proxy: { '/api': 'http://127.0.0.1:8420' } },
})
