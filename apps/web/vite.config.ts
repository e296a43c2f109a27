import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: { conditions: ['@wired-falcon/source', 'module', 'browser', 'development|production'] },
  worker: { format: 'es' },
  build: { target: 'es2023', sourcemap: false, chunkSizeWarningLimit: 2000 },
  server: {
    host: '127.0.0.1',
    port: 4781,
    proxy: {
      '/api': {
        target: `http://127.0.0.1:${process.env['WF_PORT'] ?? '4780'}`,
        changeOrigin: true,
        headers: { origin: `http://127.0.0.1:${process.env['WF_PORT'] ?? '4780'}` },
      },
    },
  },
});
