export { nightCard, type CardLine, type NightCard } from './nightCard';
