'use client';

import type { ReactNode } from 'react';
import { GLOSSARY, type GlossaryTerm } from '@/core/words/glossary';
import { useHelp } from './HelpPlace';
import { Hint } from './Hint';
import { Press } from './Press';

/** A word of the trade or of this app: its meaning under the pointer, and the glossary behind it. */
export function Term({ word, children }: { word: GlossaryTerm; children?: ReactNode }) {
  const { open } = useHelp();
  return (
    <Hint says={GLOSSARY.find(([term]) => term === word)?.[1]}>
      <Press
        onClick={() => open('words', word)}
        sx={{ display: 'inline', textDecoration: 'underline dotted', textUnderlineOffset: '3px', minHeight: 0 }}
      >
        {children ?? word}
      </Press>
    </Hint>
  );
}
