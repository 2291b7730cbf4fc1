export { StoreProblem, storeProblemOf } from '@/store/storeProblem';
