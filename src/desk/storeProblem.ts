export { StoreProblem } from '@/store/storeProblem';
