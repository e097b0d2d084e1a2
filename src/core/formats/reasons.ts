import type { Constant, Reason, Reasons, Register } from '../figures/registers';
import { CABLES, MINUTES } from '../assemble/constants';
import { CABLES_WHY, MINUTES_WHY } from '../assemble/reasons';
import { LINKS } from '../board/links';
import { LINKS_WHY } from '../board/linkReasons';
import { EVIDENCE } from '../evidence/constants';
import { EVIDENCE_WHY } from '../evidence/reasons';
import { HEAT } from '../heat/constants';
import { HEAT_WHY } from '../heat/reasons';
import { OFTEN, PROVE } from '../prove/constants';
import { OFTEN_WHY, PROVE_WHY } from '../prove/reasons';
import { SURPLUS } from '../rules/surplus/growth';
import { SURPLUS_WHY } from '../rules/surplus/reasons';
import { UPGRADE } from '../upgrade/constants';
import { UPGRADE_WHY } from '../upgrade/reasons';
import { AUDIO } from '../work/audioConstants';
import { AUDIO_WHY } from '../work/audioReasons';
import { BUILD } from '../work/buildConstants';
import { BUILD_WHY } from '../work/buildReasons';
import { CAD } from '../work/cadConstants';
import { CAD_WHY } from '../work/cadReasons';
import { COMMON } from '../work/common';
import { COMMON_WHY } from '../work/commonReasons';
import { DESK } from '../work/deskConstants';
import { DESK_WHY } from '../work/deskReasons';
import { EDIT } from '../work/editConstants';
import { EDIT_WHY } from '../work/editReasons';
import { INGEST } from '../work/ingestConstants';
import { INGEST_WHY } from '../work/ingestReasons';
import { LEARN } from '../work/learnConstants';
import { LEARN_WHY } from '../work/learnReasons';
import { LIVE } from '../work/liveConstants';
import { LIVE_WHY } from '../work/liveReasons';
import { MOTION } from '../work/motionConstants';
import { MOTION_WHY } from '../work/motionReasons';
import { RENDER, SURVEY } from '../work/renderConstants';
import { RENDER_WHY, SURVEY_WHY } from '../work/renderReasons';
import { SCENE } from '../work/sceneConstants';
import { SCENE_WHY } from '../work/sceneReasons';

const told = <R extends Register>(register: R, reasons: Reasons<R>) => ({ register, reasons });

/** All registers with their reasons, by the name that a register gives its constants. */
export const REGISTERS: Readonly<
  Record<string, { readonly register: Register; readonly reasons: Readonly<Record<string, Reason>> }>
> = {
  builds: told(BUILD, BUILD_WHY),
  cad: told(CAD, CAD_WHY),
  ingest: told(INGEST, INGEST_WHY),
  motion: told(MOTION, MOTION_WHY),
  scenes: told(SCENE, SCENE_WHY),
  learning: told(LEARN, LEARN_WHY),
  rendering: told(RENDER, RENDER_WHY),
  surveys: told(SURVEY, SURVEY_WHY),
  pictures: told(EDIT, EDIT_WHY),
  desk: told(DESK, DESK_WHY),
  sound: told(AUDIO, AUDIO_WHY),
  live: told(LIVE, LIVE_WHY),
  shared: told(COMMON, COMMON_WHY),
  links: told(LINKS, LINKS_WHY),
  evidence: told(EVIDENCE, EVIDENCE_WHY),
  heat: told(HEAT, HEAT_WHY),
  upgrade: told(UPGRADE, UPGRADE_WHY),
  minutes: told(MINUTES, MINUTES_WHY),
  cables: told(CABLES, CABLES_WHY),
  proof: told(PROVE, PROVE_WHY),
  mistakes: told(OFTEN, OFTEN_WHY),
  surplus: told(SURPLUS, SURPLUS_WHY),
};

/**
 * A constant with why it is what it is, by its id.
 * @throws RangeError where no register has it: a mistake in our own code
 */
export function explained(id: string): Constant & Reason {
  const [name = '', key = ''] = id.split('.');
  const { register, reasons } = REGISTERS[name] ?? {};
  const [constant, reason] = [register?.[key], reasons?.[key]];
  if (!constant || !reason) throw new RangeError(`no register has "${id}"`);
  return { ...constant, ...reason };
}
