/** The usual cautions, shown at the step where they matter. */
const LOCAL = 'Follow your local rules.';
export const CAUTIONS = {
  base: `Old boards: watch for nails, splinters, mould and old finishes; gloves, and a mask when sanding. ${LOCAL}`,
  saw: `Saws and drills: guard on, eyes and ears protected, a push stick, both hands clear of the line; wood dust: extract it. ${LOCAL}`,
  tension: `Webbing and springs are under tension: eye protection, face and fingers out of the line of pull, hold a spring until it is hooked. ${LOCAL}`,
  strip: `Old pads: mould, pests, lead paint, unknown fillings – bag them and wear a mask. Staples and tacks: eye protection, fingers clear. ${LOCAL}`,
  saddle: `Vehicles: the saddle must lock, and clear wheels, exhaust and controls; a changed seat height changes reach. Wiring, sensors and heated pads are for a licensed shop. ${LOCAL}`,
  knife: `Knives: guard on, both hands clear of the line, cut away from the body. Foam dust: extract it and wear a mask; no sparks. ${LOCAL}`,
  wire: `Hot wire: it burns, hands clear of it; fumes: ventilate, stand upwind; the plug out when it is left. Foam dust: extract it and wear a mask; no sparks. Knives for the ends: cut away from the body. ${LOCAL}`,
  disc: `Disc: guard on, both hands on it, eye protection and a mask, extract the dust; no sparks, nothing loose near it. ${LOCAL}`,
  filling: `Loose fibre: a mask while it is teased, no flame near it, shut away from small children; its certificate stays with the record. ${LOCAL}`,
  shaping: `Knife, wire, rasp or disc: guard on, both hands clear, cut away from the body; hot wire fumes, ventilate. Foam dust: eye protection, extract it and wear a mask; no sparks. ${LOCAL}`,
  glue: `Spray glue is flammable: ventilate, no flame, read its sheet, test it on a scrap first. ${LOCAL}`,
  shears: `Shears: cut away from the holding hand, close them when laid down. ${LOCAL}`,
  staples: `Staples: eye protection; keep fingers clear when loading; take off the air or the plug before clearing a jam. ${LOCAL}`,
  heat: `Iron, steam and hot water burn: hands clear of the steam, nothing that melts under the sole, the plug out when it is left. ${LOCAL}`,
  machine: `Sewing machine: fingers clear of the needle, foot off the pedal while threading. ${LOCAL}`,
  tacks: `Tacks and hammer: eye protection, fingers clear, no tacks in the mouth. ${LOCAL}`,
  nails: `Nails and buttons: eye protection; none where small children can reach or pull them off. ${LOCAL}`,
  hanging: `Over a bed or seat: wall fixings to suit the wall, proof-load before use, a competent fitter where in doubt. ${LOCAL}`,
  rivets: `Drilling and rivets: eye protection, hold the pan in a clamp, keep wiring and the tank clear of the drill. ${LOCAL}`,
  fire: `Foam, linings and covers sold or used in many places must meet furniture fire rules: keep labels and certificates with the record. This sheet records, it does not certify. ${LOCAL}`,
} as const;
