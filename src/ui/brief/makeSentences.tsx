'use client';

import { Size } from '../shared/phrases';
import { counted, phrasesOf, type SentenceProps } from './figures';

export function CadViewSentence({ task, change }: SentenceProps<'cad-view'>) {
  const { num, pick } = phrasesOf<'cad-view'>(task, change);
  return (
    <>
      Turn an assembly of {num('components', counted('component'))},{' '}
      {num('mTriangles', (said) => `${said} million triangles`)},{' '}
      {pick('edges', [
        [true, 'with edges'],
        [false, 'without edges'],
      ])}
      , on{' '}
      <Size
        label="Size of the view"
        width={task.width}
        height={task.height}
        onChange={(width, height) => change({ width, height })}
      />
      . Target: {num('fps', counted('frame a second', 'frames a second'))}.
    </>
  );
}

export function CadStepSentence({ task, change }: SentenceProps<'cad-step'>) {
  const { num, pick } = phrasesOf<'cad-step'>(task, change);
  return (
    <>
      {pick('step', [
        ['rebuild', 'Rebuild'],
        ['open', 'Open'],
        ['drawing', 'Draw the views of'],
      ])}{' '}
      {task.step === 'rebuild' && <>{num('features', counted('feature'))} in </>}
      an assembly of {num('components', counted('component'))}
      {task.step === 'open' && <>, {num('mbPerComponent', (said) => `${said} MB each`)}</>}
      {task.step === 'drawing' && <>, {num('views', counted('view'))}</>}. Target: {num('targetS')}.
    </>
  );
}

export function SolveSentence({ task, change }: SentenceProps<'solve'>) {
  const { num, pick } = phrasesOf<'solve'>(task, change);
  return (
    <>
      Compute a{' '}
      {pick('mesh', [
        ['solid', 'solid'],
        ['scalar', 'solid of heat or flow'],
        ['shell', 'shell'],
      ])}{' '}
      with {num('unknownsK', (said) => `${said} thousand unknowns`)} in {num('steps', counted('step'))}, each solved
      directly. Target: {num('targetMin')}.
    </>
  );
}

export function RenderSentence({ task, change }: SentenceProps<'render'>) {
  const { num } = phrasesOf<'render'>(task, change);
  return (
    <>
      Render {num('frames', counted('frame'))} of{' '}
      <Size
        label="Size of a picture"
        width={task.width}
        height={task.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      with {num('samples', counted('sample a pixel', 'samples a pixel'))} and {num('bounces', counted('bounce'))}; the
      scene has {num('mTriangles', (said) => `${said} million triangles`)} and{' '}
      {num('texturesGiB', (said) => `${said} GB of textures`)}. Target: {num('targetH')}.
    </>
  );
}

export function SurveySentence({ task, change }: SentenceProps<'survey'>) {
  const { num, pick } = phrasesOf<'survey'>({ ...task, doubled: task.doubled ?? false }, change);
  return (
    <>
      Make a model of {num('images', counted('still'))} of {num('mpx')} and{' '}
      {num('mbPerImage', (said) => `${said} MB each`)}, each compared with {num('neighbours', counted('other'))} by
      features at{' '}
      {pick('doubled', [
        [false, 'their size'],
        [true, 'twice the side'],
      ])}
      ; depth at{' '}
      {pick('depth', [
        ['full', 'full size'],
        ['half', 'half the side'],
        ['quarter', 'a quarter of the side'],
      ])}
      ; meshed {num('blockMPoints', (said) => `${said} million points at a time`)}. Target: {num('targetH')}.
    </>
  );
}

export function MotionSentence({ task, change }: SentenceProps<'motion'>) {
  const { num, pick } = phrasesOf<'motion'>(task, change);
  return (
    <>
      Preview {num('layers', counted('layer'))} with {num('effectsPerLayer', counted('effect each', 'effects each'))},{' '}
      {num('scripted', (said) => `${said} moved by scripts`)}, at{' '}
      <Size
        label="Size of a frame"
        width={task.width}
        height={task.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      {num('fps')}{' '}
      {pick('bitDepth', [
        [8, '8 bits'],
        [16, '16 bits'],
        [32, '32 bits'],
      ])}{' '}
      a channel; {num('aheadS', (said) => `${said} s`)} are kept ready in memory. Target: {num('targetMin')}.
    </>
  );
}

export function StillsSentence({ task, change }: SentenceProps<'stills'>) {
  const { num, pick } = phrasesOf<'stills'>({ ...task, lossless: task.lossless ?? false }, change);
  return (
    <>
      Develop {num('images', counted('raw still'))} of {num('mpx')} and {num('mbPerImage', (said) => `${said} MB`)} with{' '}
      {num('steps', counted('correction step'))}, noise reduction{' '}
      {pick('noiseReduction', [
        ['off', 'off'],
        ['light', 'light'],
        ['strong', 'strong'],
      ])}
      , written{' '}
      {pick('lossless', [
        [false, 'with loss'],
        [true, 'without loss, 16 bits'],
      ])}
      . Target: {num('targetMin')}.
    </>
  );
}

export function BuildSentence({ task, change }: SentenceProps<'build'>) {
  const { num, pick } = phrasesOf<'build'>(task, change);
  return (
    <>
      Build {num('units', counted('file'))} of{' '}
      {pick('weight', [
        ['light', 'little'],
        ['usual', 'usual'],
        ['heavy', 'great'],
      ])}{' '}
      weight, {num('memoryPerJobGiB', (said) => `${said} GB a job`)}, then link for{' '}
      {num('linkS', (said) => `${said} s on one core`)}. Target: {num('targetMin')}.
    </>
  );
}

export function GuestsSentence({ task, change }: SentenceProps<'guests'>) {
  const { num } = phrasesOf<'guests'>(task, change);
  return (
    <>
      Run {num('guests', counted('guest'))} with {num('memoryGiB', (said) => `${said} GB`)} and{' '}
      {num('threads', counted('thread'))} each, {num('busyPercent', (said) => `${said} % busy`)}, on{' '}
      {num('diskGB', (said) => `${said} GB of disk`)} with {num('mbPerS')} of reads and writes. Target:{' '}
      <b>at their pace</b>.
    </>
  );
}
