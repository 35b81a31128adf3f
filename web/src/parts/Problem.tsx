import { Alert } from 'antd';

/** What went wrong, in words, where it went wrong. */
export function Problem({ error }: { error: unknown }) {
  if (!error) return null;
  return <Alert type="error" className="problem" title={error instanceof Error ? error.message : String(error)} role="alert" />;
}
