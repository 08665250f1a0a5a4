import { ensureTools } from './generate.mjs';

/** Tests run the made validator, the built command line and the planning threads. */
export default ensureTools;
