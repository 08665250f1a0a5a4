import { renderToStaticMarkup } from 'react-dom/server';
import { afterEach, describe, expect, it } from 'vitest';
import { setDialect } from './current';

const Shown = () => (
  <>
    Piping in {'the wadding'}
    <button type="button" aria-label="Make the piping" title="Hessian">
      {['centre', ' of the ', <b key="b">calico</b>]}
    </button>
    <h1 translate="no">Hessian chair</h1>
    <input aria-label="Name" defaultValue="Hessian chair" />
  </>
);

afterEach(() => setDialect('british'));

describe('the page in the workshop’s words', () => {
  it('is written in British words as it stands', () => {
    expect(renderToStaticMarkup(<Shown />)).toContain(
      'Piping in the wadding<button type="button" aria-label="Make the piping" title="Hessian">',
    );
  });

  it('in American ones every text and label changes, and what somebody typed does not', () => {
    setDialect('american');
    const html = renderToStaticMarkup(<Shown />);
    expect(html).toContain('Welt cord in the batting');
    expect(html).toContain('aria-label="Make the welt cord" title="Burlap"');
    expect(html).toContain('center of the <b>muslin</b>');
    expect(html).toContain('<h1 translate="no">Hessian chair</h1>');
    expect(html).toContain('value="Hessian chair"');
  });
});
