import { SYSTEM_LEAST_GB } from '../../predict/kept';
import type { Told } from '../told';
import { SYSTEM_USUAL_GB } from './systemDrive';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  'application-floor': {
    holds: "memory and graphics memory reach what each application's maker recommends",
    compares: 'capacity with the published minimum and recommended figures',
    source: 'application profiles',
  },
  'application-needs': {
    holds: "compute stack, operating system and driver are what each application's maker supports",
    compares: 'what the applications of the brief support with the card and the operating system',
    source: 'application profiles',
  },
  copies: {
    holds: 'what is kept in several copies has a second drive with room for it',
    compares: 'what is kept at the end of the years with the room on drives of the backup role',
    source: 'the brief: copies of what is kept',
  },
  'drive-endurance': {
    holds: 'the rated writes of every drive last the years of service',
    compares: 'what the work writes to each drive a day with the writes it is rated for',
    source: 'TBW ÷ writes a day; JESD218, JESD219',
  },
  'drive-space': {
    holds: 'what the work keeps fits on the drives of its roles, all at once, as long as the machine is meant to serve',
    compares:
      'bytes kept by role, and as they grow, with the capacity of its drives less what other roles keep on them',
    source: 'footage rate × hours kept, files × how many stay; a drive of several roles has its room once',
  },
  licences: {
    holds: 'each application that is sold has a licence here, on terms that let it run on this machine',
    compares: 'the applications of the brief with the licences of the draft and their terms',
    source: 'terms of the licences',
  },
  'must-haves': {
    holds: 'network, wireless, ports, video inputs and volume are as the brief asks',
    compares: "the machine with the brief's must-haves",
    source: 'the brief',
  },
  'scratch-cells': {
    holds: 'scratch lies on cells that are made for writing',
    compares: 'the cell kind of the drives in the scratch role',
    source: 'judgement: endurance and rate after the cache by cell kind',
  },
  'system-drive': {
    holds: 'one drive is set as the system drive, it is no disk and has room for a system',
    compares: `the roles, kinds and sizes of the drives; ${SYSTEM_LEAST_GB} GB at least, ${SYSTEM_USUAL_GB} GB as is usual`,
    source: 'definition; judgement: the sizes',
  },
  work: {
    holds: 'every task runs and is likely to reach its target',
    compares: 'the prediction of each task, where it does worst, with its target',
    source: 'the predictions of the tasks; the targets of the brief',
  },
};
