// The package's types are its sources, which do not pass our stricter settings: its own are in constrain.d.ts.
export { default } from '@kninnug/constrainautor';
