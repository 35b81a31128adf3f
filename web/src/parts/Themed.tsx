import { ConfigProvider, theme as antd } from 'antd';
import { useMemo, type ReactNode } from 'react';
import { Outlet } from 'react-router';
import { useLook } from './looks';
import { themeOf } from './theme';

/** The components in the look in force. Whoever wants little motion gets none. */
export function Themed({ children }: { children: ReactNode }) {
  const { look, palette } = useLook();
  const theme = useMemo(
    () => ({
      ...themeOf(palette, window.matchMedia('(prefers-reduced-motion: reduce)').matches),
      algorithm: look === 'dark' ? antd.darkAlgorithm : antd.defaultAlgorithm,
    }),
    [look, palette],
  );
  return (
    <ConfigProvider theme={theme} wave={{ disabled: true }}>
      {children}
    </ConfigProvider>
  );
}

/** The pages that are built of components. */
export const ThemedPage = () => (
  <Themed>
    <Outlet />
  </Themed>
);
