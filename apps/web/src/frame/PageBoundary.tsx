import type { ReactNode } from 'react';
import { useLocation } from 'react-router';
import { useOpenPage } from '../addresses/RegistryContext.tsx';
import { pageTitleOf } from '../addresses/screens.ts';
import { useDesign } from '../session/SessionContext.tsx';
import { ScreenBoundary } from './ScreenBoundary.tsx';

/** Around a page of an aircraft: one that throws is named in its place, and drawn again with the next document or address. */
export function PageBoundary({ children }: { readonly children: ReactNode }) {
  const design = useDesign();
  const { pathname } = useLocation();
  const open = useOpenPage();
  const name = open === undefined ? 'This page' : `The page "${pageTitleOf(open.stage, open.page)}"`;
  return (
    <ScreenBoundary what={name} shows={design} at={pathname}>
      {children}
    </ScreenBoundary>
  );
}
