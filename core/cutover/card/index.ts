export { nightCard, type NightCard } from './nightCard';
