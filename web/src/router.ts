import { pageName } from '@/shared/title';
import { createRouter, createWebHistory, type LocationQuery } from 'vue-router';
import { useSession } from './api/session';
import type { Role } from './api/team';
import DeskPlace from './places/desk/DeskPlace.vue';
import { DRIVERS, MANAGER_ONLY, NOT_DRIVERS, OFFICE_PAGES, routesOf, STORES_PAGES } from './places/pages';
import PlaceFrame from './places/PlaceFrame.vue';

declare module 'vue-router' {
  interface RouteMeta {
    title?: string;
    /** Whether it is there without signing in. */
    isOpen?: boolean;
    /** Everybody if absent. */
    roles?: readonly Role[];
  }
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/desk' },
    { path: '/desk/:id?', name: 'desk', component: DeskPlace, props: true, meta: { title: 'Desk' } },
    {
      path: '/vehicles',
      name: 'vehicles',
      component: () => import('./places/vehicles/VehiclesPlace.vue'),
      meta: { title: 'Vehicles' },
    },
    {
      path: '/describe',
      name: 'describe',
      component: () => import('./places/vehicles/describe/DescribePage.vue'),
      meta: { title: 'Describe a vehicle', roles: MANAGER_ONLY },
    },
    {
      path: '/describe/:vehicleRef',
      name: 'redescribe',
      component: () => import('./places/vehicles/describe/DescribePage.vue'),
      props: true,
      meta: { title: 'Describe', roles: MANAGER_ONLY },
    },
    {
      path: '/vehicles/:vehicleRef',
      name: 'vehicle',
      component: () => import('./places/vehicles/VehiclePage.vue'),
      props: true,
      meta: { title: 'Vehicles' },
    },
    {
      path: '/vehicles/:vehicleRef/history',
      name: 'vehicle-history',
      component: () => import('./places/vehicles/HistoryPage.vue'),
      props: true,
      meta: { title: 'Vehicles' },
    },
    {
      path: '/vehicles/:vehicleRef/inspection-sheet',
      name: 'inspection-sheet',
      component: () => import('./places/vehicles/InspectionPage.vue'),
      props: true,
      meta: { title: 'Inspection sheet', roles: NOT_DRIVERS },
    },
    {
      path: '/workshop',
      name: 'workshop',
      component: () => import('./places/workshop/WorkshopPlace.vue'),
      meta: { title: 'Workshop', roles: NOT_DRIVERS },
    },
    {
      path: '/workshop/due',
      name: 'due-work',
      component: () => import('./places/workshop/DueWorkPage.vue'),
      meta: { title: 'What comes due', roles: NOT_DRIVERS },
    },
    {
      path: '/workshop/cold',
      name: 'cold',
      component: () => import('./places/workshop/round/ColdMornings.vue'),
      meta: { title: 'Before the cold', roles: NOT_DRIVERS },
    },
    {
      path: '/workshop/moves',
      name: 'moves',
      component: () => import('./places/workshop/moves/MovePage.vue'),
      meta: { title: 'Move wheels', roles: NOT_DRIVERS },
    },
    {
      path: '/workshop/rounds/:id',
      name: 'round',
      component: () => import('./places/workshop/round/RoundPage.vue'),
      props: true,
      meta: { title: 'Pressure round', roles: NOT_DRIVERS },
    },
    {
      path: '/workshop/repairs/:id',
      name: 'repair',
      component: () => import('./places/workshop/RepairPage.vue'),
      props: true,
      meta: { title: 'Repair', roles: NOT_DRIVERS },
    },
    {
      path: '/workshop/jobs/:id',
      name: 'job',
      component: () => import('./places/workshop/JobPage.vue'),
      props: true,
      meta: { title: 'Fit-out', roles: NOT_DRIVERS },
    },
    {
      path: '/workshop/jobs/:id/record',
      name: 'job-record',
      component: () => import('./places/workshop/JobRecordPage.vue'),
      props: true,
      meta: { title: 'Record', roles: NOT_DRIVERS },
    },
    {
      path: '/workshop/jobs/:id/bench',
      name: 'bench',
      component: () => import('./places/workshop/BenchPage.vue'),
      props: true,
      meta: { title: 'Bench list', roles: NOT_DRIVERS },
    },
    {
      path: '/stores',
      component: PlaceFrame,
      props: { title: 'Stores', pages: STORES_PAGES },
      children: routesOf(STORES_PAGES),
    },
    {
      path: '/stores/plans/:id',
      name: 'kit-plan',
      component: () => import('./places/stores/KitPlanPage.vue'),
      props: true,
      meta: { title: 'Kit plan', roles: NOT_DRIVERS },
    },
    {
      path: '/stores/tyres/:id',
      name: 'tyre',
      component: () => import('./places/stores/tyres/TyrePage.vue'),
      props: true,
      meta: { title: 'Tyre', roles: NOT_DRIVERS },
    },
    {
      path: '/walk/:vehicleRef',
      name: 'walk',
      component: () => import('./places/driver/WalkPage.vue'),
      props: true,
      meta: { title: 'Walk round', roles: DRIVERS },
    },
    {
      path: '/demo',
      name: 'demo',
      component: () => import('./places/demo/DemoPlace.vue'),
      meta: { title: 'Demo' },
    },
    {
      path: '/office',
      name: 'office',
      component: () => import('./places/office/OfficePlace.vue'),
      meta: { title: 'Office' },
    },
    {
      path: '/office',
      component: PlaceFrame,
      props: { title: 'Office', pages: OFFICE_PAGES },
      children: routesOf(OFFICE_PAGES),
    },
    // As they were called before.
    { path: '/office/load-tables', redirect: { name: 'targets' } },
    { path: '/office/outbox', redirect: { name: 'mail' } },
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('./places/access/SignIn.vue'),
      meta: { title: 'Sign in', isOpen: true },
    },
    {
      path: '/set-up',
      name: 'set-up',
      component: () => import('./places/access/SetUp.vue'),
      meta: { title: 'Set up', isOpen: true },
    },
    {
      path: '/join',
      name: 'join',
      component: () => import('./places/access/JoinPage.vue'),
      meta: { title: 'Join', isOpen: true },
    },
    {
      path: '/gate',
      name: 'gate',
      component: () => import('./places/gate/GatePage.vue'),
      meta: { title: 'Who may leave', isOpen: true },
    },
    {
      path: '/:rest(.*)*',
      name: 'nowhere',
      component: () => import('./places/NoSuchPage.vue'),
      meta: { title: 'No such page' },
    },
  ],
  scrollBehavior: (to, from, saved) => saved ?? (to.path === from.path ? false : { top: 0 }),
});

/** Where somebody wanted to go who had to sign in first: only ever a page of ours. */
export function wayBack({ query }: { query: LocationQuery }): string {
  const { then } = query;
  return typeof then === 'string' && /^\/(?!\/)/.test(then) && !then.startsWith('/sign-in') ? then : '/desk';
}

router.beforeEach((to) => {
  const { account } = useSession();
  if (!to.meta.isOpen && !account.value) {
    return { name: 'sign-in', query: to.fullPath === '/desk' ? {} : { then: to.fullPath } };
  }
  if (to.name === 'sign-in' && account.value) {
    return wayBack(to);
  }
  if (to.meta.roles && account.value && !to.meta.roles.includes(account.value.role)) {
    return { name: 'desk' };
  }
  return true;
});

router.afterEach((to) => {
  pageName.value = String(to.params.vehicleRef ?? to.meta.title);
});
