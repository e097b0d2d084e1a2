import type { NextConfig } from 'next';
import { HEADERS } from './src/server/door/answers.mjs';
import { policy } from './src/server/door/policy.mjs';

const INBOX_HEADERS = [...Object.entries(HEADERS), ['content-security-policy', policy(undefined, false)] as const].map(
  ([key, value]) => ({ key, value }),
);

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'pdfkit', 'nodemailer'],
  poweredByHeader: false,
  reactStrictMode: true,
  // the scripts check the types of all files by themselves, or start what was checked before
  typescript: { ignoreBuildErrors: process.env['VANE_TYPES_CHECKED'] === '1' },
  experimental: {
    // files are given to their own route, which takes them as they arrive
    serverActions: { bodySizeLimit: '8mb' },
    // what runs on the server stays readable, so no map has to lead back from it: making it small and mapping it took
    // two fifths of the build
    turbopackMinify: { server: false, client: true },
    turbopackSourceMaps: false,
    turbopackInputSourceMaps: false,
    // a build is begun when sources changed; what it would keep for the next one is twice as large as what it makes
    turbopackFileSystemCacheForBuild: false,
  },
  headers: () => Promise.resolve([{ source: '/api/inbox', headers: INBOX_HEADERS }]),
};

export default config;
