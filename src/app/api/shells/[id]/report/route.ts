import { shellReport } from '@/services/prove/export-shell';
import { notFound } from '@/services/safety/answer';
import { shellRoute } from '../../../shell-route';

export const GET = shellRoute((shell, context) => {
  const html = shellReport(context, shell);
  if (html === null) return notFound('report');
  const policy = "default-src 'none'; style-src 'unsafe-inline'";
  return new Response(html, {
    headers: { 'content-type': 'text/html; charset=utf-8', 'content-security-policy': policy },
  });
});
