import { createRouter, createWebHistory } from 'vue-router';
import SiteFrame from './frame/SiteFrame.vue';
import { fetchAhead } from './offline/fetchAhead';

/** The first stage is fetched whichever is opened: most people go there, and a key that is pressed on the way is not lost. */
const survey = import('./stages/survey/SurveyStage.vue');

/** A stage of the work, fetched when it is opened, or beside the site before anybody asks for it. */
const stages = {
  test: () => import('./stages/test/TestStage.vue'),
  decide: () => import('./stages/decide/DecideStage.vue'),
  allocate: () => import('./stages/allocate/AllocateStage.vue'),
  connect: () => import('./stages/connect/ConnectStage.vue'),
  cutover: () => import('./stages/cutover/CutoverStage.vue'),
  signoff: () => import('./stages/signoff/SignoffStage.vue'),
  papers: () => import('./stages/papers/PapersStage.vue'),
};
for (const fetchStage of Object.values(stages)) fetchAhead(fetchStage);

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
        { path: 'test/:runId?', name: 'test', component: stages.test },
        {
          path: 'decide/:runId?',
          name: 'decide',
          component: stages.decide,
        },
        {
          path: 'allocate/:runId?',
          name: 'allocate',
          component: stages.allocate,
        },
        {
          path: 'connect/:runId?',
          name: 'connect',
          component: stages.connect,
        },
        {
          path: 'cutover/:runId?',
          name: 'cutover',
          component: stages.cutover,
        },
        {
          path: 'signoff/:runId?',
          name: 'signoff',
          component: stages.signoff,
        },
        {
          path: 'papers/:runId?',
          name: 'papers',
          component: stages.papers,
        },
        // Where the plan was before it was one of several papers.
        { path: 'plan/:runId?', redirect: (to) => ({ name: 'papers', params: to.params }) },
      ],
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
});
