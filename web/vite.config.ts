import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  plugins: [
    react(),
    // Fetched only by devices that keep a part of an edition: what Lookup needs, without drawings and components of the other places.
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'sw.ts',
      injectRegister: false,
      manifest: false,
      injectManifest: { globPatterns: ['index.html', 'assets/*.{js,css,woff2}'], globIgnores: ['assets/SolidView*'] },
    }),
  ],
  build: {
    outDir: '../src/Incisura.Web/wwwroot',
    emptyOutDir: true,
    chunkSizeWarningLimit: 900,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
});
