// The thread that works out a site starts before the pages do, and works while they make themselves ready.
import './workers/evaluator';

void import('./app');
// What most people open first is fetched beside it.
if (window.location.pathname === '/') void import('./frame/SitesView.vue');
else if (/^\/site\/[^/]+(\/survey|\/?$)/.test(window.location.pathname))
  void import('./stages/survey/SurveyStage.vue');
