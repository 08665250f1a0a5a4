// The package marks itself a module but names its script build as the entry; its real module build has no types of its own.
declare module 'maxrects-packer/dist/maxrects-packer.mjs' {
  export { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer';
}
