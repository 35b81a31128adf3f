import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

// The small page that is laid out beside editions: it is served from any folder, and asks no server of ours.
export default defineConfig({
  plugins: [
    react(),
    {
      name: 'first-page-of-the-folder',
      enforce: 'post',
      generateBundle(_, bundle) {
        const page = bundle['reader.html'];
        if (page) page.fileName = 'index.html';
      },
    },
  ],
  base: './',
  publicDir: false,
  build: {
    outDir: '../src/Incisura.Web/reader',
    emptyOutDir: true,
    assetsDir: 'page',
    // Names that stay, so that nothing old is left when it is laid out again.
    rollupOptions: { input: 'reader.html', output: { entryFileNames: 'page/reader.js', assetFileNames: 'page/reader[extname]' } },
  },
});
