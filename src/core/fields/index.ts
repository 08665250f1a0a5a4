export * from './field';
export { defaultsOf } from './defaults';
