import { defineConfig } from 'vitest/config';

export default defineConfig({ test: { dir: __dirname, environment: 'node' } });
