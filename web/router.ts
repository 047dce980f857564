import { createRouter, createWebHistory } from 'vue-router';
import SiteFrame from './frame/SiteFrame.vue';

/** The first stage is fetched whichever is opened: most people go there, and a key that is pressed on the way is not lost. */
const survey = import('./stages/survey/SurveyStage.vue');

/** The stages of the work, in its order. Each loads its own code when it is first opened. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'sites', component: () => import('./frame/SitesView.vue') },
    { path: '/join', name: 'join', component: () => import('./accounts/JoinView.vue') },
    { path: '/people', name: 'people', component: () => import('./accounts/PeopleView.vue') },
    { path: '/account', name: 'account', component: () => import('./accounts/OwnAccount.vue') },
    { path: '/drills', name: 'drills', component: () => import('./drills/DrillsView.vue') },
    { path: '/drills/new', name: 'new-drill', component: () => import('./drills/DrillEditor.vue') },
    {
      path: '/drills/:drillId/change',
      name: 'change-drill',
      component: () => import('./drills/DrillEditor.vue'),
      props: true,
    },
    { path: '/drills/:drillId', name: 'drill', component: () => import('./drills/DrillView.vue') },
    {
      path: '/site/:siteId/customer',
      name: 'customer',
      component: () => import('./customer/CustomerPage.vue'),
      props: true,
    },
    {
      path: '/site/:siteId',
      component: SiteFrame,
      children: [
        { path: '', redirect: (to) => ({ name: 'survey', params: to.params }) },
        {
          path: 'survey/:runId?',
          name: 'survey',
          component: () => survey,
        },
        { path: 'test/:runId?', name: 'test', component: () => import('./stages/test/TestStage.vue') },
        {
          path: 'decide/:runId?',
          name: 'decide',
          component: () => import('./stages/decide/DecideStage.vue'),
        },
        {
          path: 'allocate/:runId?',
          name: 'allocate',
          component: () => import('./stages/allocate/AllocateStage.vue'),
        },
        {
          path: 'connect/:runId?',
          name: 'connect',
          component: () => import('./stages/connect/ConnectStage.vue'),
        },
        {
          path: 'cutover/:runId?',
          name: 'cutover',
          component: () => import('./stages/cutover/CutoverStage.vue'),
        },
        {
          path: 'signoff/:runId?',
          name: 'signoff',
          component: () => import('./stages/signoff/SignoffStage.vue'),
        },
        {
          path: 'papers/:runId?',
          name: 'papers',
          component: () => import('./stages/papers/PapersStage.vue'),
        },
        // Where the plan was before it was one of several papers.
        { path: 'plan/:runId?', redirect: (to) => ({ name: 'papers', params: to.params }) },
      ],
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
});
