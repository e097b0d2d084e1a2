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
  // files are given to their own route, which takes them as they arrive
  experimental: { serverActions: { bodySizeLimit: '8mb' } },
  headers: () => Promise.resolve([{ source: '/api/inbox', headers: INBOX_HEADERS }]),
};

export default config;
