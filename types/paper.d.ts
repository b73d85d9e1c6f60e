declare module 'paper/dist/paper-core.js' {
  export { default } from 'paper';
}
