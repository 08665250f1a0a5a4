import { coursesOf, edgeStrips, frameCuts, trimBends } from '../base';
import type { Model } from '../padding';
import { CAUTIONS } from '../step/cautions';
import { step, type StepDraft } from '../step/step';

/** How the ends of a batten are sawn, in degrees off square; nothing where both are square. */
function sawnEnds(mitres: readonly [number, number]): string {
  const [one, other] = mitres.map((mitre) => Math.round((Math.abs(mitre) * 360) / Math.PI) / 2);
  if (one === other) return one === 0 ? '' : `, ends ${one}°`;
  return `, ends ${one}° and ${other}°`;
}

/** A board that is put together, before anything else is done to it. */
function courseSteps({ piece: { base }, board, rule }: Model): StepDraft[] {
  const all = coursesOf(board, base);
  if (!base.courses || all.length === 0) return [];
  const sizes = all.map(
    (course) =>
      `${course.course}${base.courses!.layers > 1 ? ` of layer ${course.layer}` : ''}: ${Math.round(course.width)} × ${Math.round(course.height)} mm`,
  );
  const shaped = all.some((course) => course.shaped)
    ? ' Stand each on the one below and trace where its end or curve goes on; fair the curve over all of them before it is sawn.'
    : '';
  const joined =
    base.courses.layers > 1
      ? 'Tape the joints, glue layer on layer with the joints staggered, and press it flat until it holds.'
      : base.courses.glued
        ? 'Glue edge to edge, clamp flat.'
        : 'Lay them edge to edge: the battens hold them.';
  return [
    step(
      'courses',
      'Put the board together',
      `From the near edge up, ${sizes.join('; ')}.${shaped} ${joined}`,
      all.length * rule('timeBatten'),
      {
        uses: ['batten'],
        caution: base.courses.glued ? `${CAUTIONS.saw} ${CAUTIONS.glue}` : CAUTIONS.saw,
        wait: base.courses.glued || base.courses.layers > 1 ? rule('timeJig') : 0,
      },
    ),
  ];
}

/** Frame, edge strips and bent trims, before anything lies on the board. */
export function woodSteps(model: Model): StepDraft[] {
  const { piece, outline, rule } = model;
  const { base } = piece;
  const edges = base.edges ?? [];
  const frame = base.frame ? frameCuts(outline, base.frame) : null;
  const strips = edgeStrips(outline, edges);
  const trims = trimBends(outline, edges, base.board.material);
  const each = rule('timeBatten');
  const mm = (value: number): number => Math.round(value);
  const steps: StepDraft[] = courseSteps(model);
  if (frame && frame.battens.length > 0)
    steps.push(
      step(
        'frame',
        'Frame under the board',
        `Of ${mm(frame.width)} × ${mm(frame.thickness)} mm, ${frame.battens.map(({ name, length, mitres }) => `${name}: ${mm(length)} mm${sawnEnds(mitres)}`).join('; ')}. Glue and screw them ${base.frame!.inset < 1 ? 'flush with the edge' : `${mm(base.frame!.inset)} mm in from the edge`}, screws that do not come through.${frame.blocks ? ` In its ${frame.blocks.count} corners glue and screw blocks, ${mm(frame.blocks.leg)} mm along either leg: two come out of a square.` : ''}`,
        frame.battens.length * each,
        { uses: ['batten', 'fastener'], caution: CAUTIONS.saw, sees: { in: 'frame' } },
      ),
    );
  if (strips.length > 0)
    steps.push(
      step(
        'edge-strips',
        'Hard-edge strips',
        `${strips.map(({ edge, length, width, thickness, startMitre, endMitre }) => `${edge}: ${mm(length)} mm of ${mm(width)} × ${mm(thickness)} mm${sawnEnds([startMitre, endMitre])}`).join('; ')}. Glued and pinned flush.`,
        strips.length * each,
        { uses: ['batten'], caution: CAUTIONS.saw },
      ),
    );
  for (const trim of trims) {
    const layers = `${trim.laminations} ${trim.laminations > 1 ? 'layers' : 'layer'} of ${Math.round(trim.layer * 10) / 10} mm, ${mm(trim.cut)} mm long`;
    steps.push(
      step(
        `trim-${trim.edge.replace(/[^a-z0-9]+/gi, '-').toLowerCase()}-edge`,
        `Trim along the ${trim.edge} edge`,
        trim.jig === null
          ? `${layers}; ${trim.radius === null ? 'straight' : 'it bends dry'}: glue and pin it from one end.`
          : `${layers}, grain along. Saw a jig of ${mm(trim.jig)} mm radius: the glued layers spring back to ${mm(trim.radius!)}. Try them in it dry, spread the glue, clamp from the middle outwards every 75 mm; saw the ends off once it holds.`,
        trim.laminations * each + (trim.jig === null ? 0 : 2 * each),
        {
          uses: ['batten'],
          caution: `${CAUTIONS.saw} ${trim.jig === null ? '' : CAUTIONS.glue}`.trim(),
          wait: trim.jig === null ? 0 : rule('timeJig'),
        },
      ),
    );
  }
  return steps;
}
