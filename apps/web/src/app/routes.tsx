import type { ComponentType, ReactNode } from 'react';
import { Navigate, type RouteObject } from 'react-router';
import { PageHandle } from '../addresses/RegistryContext.tsx';
import type { Registry } from '../addresses/screens.ts';
import type { StageDef } from '../addresses/stageDef.ts';
import { PageBoundary } from '../frame/PageBoundary.tsx';
import { BrokenPage } from './BrokenPage.tsx';
import { CrashPage } from './CrashPage.tsx';

const opening = <p className="p-6 text-ink2">Opening ...</p>;

/** A part of an aircraft's screens as the router wants it: fetched when it is opened, and caught where it throws. */
function lazily(load: () => Promise<ComponentType>): () => Promise<{ readonly Component: ComponentType }> {
  return async () => {
    const Screen = await load();
    const Component = () => (
      <PageBoundary>
        <Screen />
      </PageBoundary>
    );
    return { Component };
  };
}

/** The routes of a stage: its frame, if it has one, with its pages in it, each fetched when it is opened. */
function routeOf(stage: StageDef): RouteObject {
  const { id, frame, pages } = stage;
  return {
    path: id,
    ...(frame === undefined ? {} : { lazy: lazily(frame) }),
    children: pages.map((page) => ({
      ...(page.path === '' ? { index: true as const } : { path: page.path }),
      lazy: lazily(page.load),
      handle: new PageHandle(stage, page),
    })),
  };
}

/** Every address of the application. @param aircraft what stands around the pages of an aircraft */
export function routesOf({ stages, workshop }: Registry, aircraft: ReactNode): RouteObject[] {
  return [
    ...workshop.map(({ path, load }): RouteObject => ({
      path,
      lazy: async () => ({ Component: await load() }),
      errorElement: <CrashPage />,
      hydrateFallbackElement: opening,
    })),
    {
      path: '/aircraft/:id',
      element: aircraft,
      errorElement: <CrashPage />,
      hydrateFallbackElement: opening,
      children: [
        { index: true, element: <Navigate to="wiring" replace /> },
        // A page that cannot be fetched leaves the frame around it as it is.
        { errorElement: <BrokenPage />, children: stages.map(routeOf) },
      ],
    },
    { path: '*', element: <CrashPage /> },
  ];
}
