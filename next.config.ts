import type { NextConfig } from 'next';
import { HEADERS } from './src/server/door/answers.mjs';
import { policy } from './src/server/door/policy';

const INBOX_HEADERS = [...Object.entries(HEADERS), ['content-security-policy', policy('none', false)] as const].map(
  ([key, value]) => ({ key, value }),
);

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'pdfkit', 'nodemailer'],
  poweredByHeader: false,
  reactStrictMode: true,
  // files are given to their own route, which takes them as they arrive
  experimental: { serverActions: { bodySizeLimit: '8mb' } },
  headers: () => Promise.resolve([{ source: '/api/inbox', headers: INBOX_HEADERS }]),
};

export default config;
