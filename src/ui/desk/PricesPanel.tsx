'use client';

import { FormFoot } from '../shared/FormFoot';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import type { Problem } from '@/core/formats/problems';
import { dropSource, keepSource } from '@/server/actions';
import type { PriceState } from '@/server/contract';
import { Problems } from '../shared/Problems';

/** Where prices come from: which sources are asked, and a source of one's own. */
export function PricesPanel({ prices }: { prices: PriceState }) {
  const router = useRouter();
  const [adding, setAdding] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const { sources, last } = prices;
  const done = () => {
    setProblems([]);
    setAdding(false);
    router.refresh();
  };
  return (
    <section aria-label="Price sources">
      <h2>Where prices come from</h2>
      <p className="quiet small">
        {last
          ? `Asked last ${last.started.slice(0, 16).replace('T', ' ')}, ${last.by}: ${last.sources.filter((source) => source.state === 'done').length} of ${last.sources.length} answered.`
          : sources.length === 0
            ? 'No source yet: prices are those of the files you import.'
            : 'Not asked yet.'}
      </p>
      <ul className="small">
        {sources.map((source) => (
          <li key={source.id} className="spread" style={{ padding: '2px 0', alignItems: 'center' }}>
            <label className="row">
              <input
                type="checkbox"
                checked={source.active}
                onChange={(event) => void keepSource({ ...source, active: event.target.checked }).then(done)}
              />
              <span>
                {source.name}
                {source.simulated && <span className="quiet">, simulated</span>}
              </span>
            </label>
            <button
              type="button"
              className="link"
              aria-label={`Remove the source ${source.name}`}
              onClick={() => void dropSource(source.id).then(done)}
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
      {!adding ? (
        <button type="button" className="link small" onClick={() => setAdding(true)}>
          Add a source
        </button>
      ) : (
        <form
          aria-label="Add a source"
          className="small"
          onSubmit={(event) => {
            event.preventDefault();
            const form = new FormData(event.currentTarget);
            const text = (name: string) => String(form.get(name) ?? '').trim();
            const at = text('at');
            void keepSource({
              id: `${text('seller')}-${text('region')}`,
              name: text('name'),
              seller: text('seller'),
              region: text('region'),
              kind: /^https?:/.test(at) ? 'http' : 'file',
              at,
              format: text('format'),
            }).then((result) => (result.state === 'refused' ? setProblems(result.problems) : done()));
          }}
        >
          <p className="quiet">
            An address or a file on this machine, with schema.org products and offers as JSON-LD, or a table as CSV.
            {' {day}'} in it stands for the day.
          </p>
          {(
            [
              ['name', 'Name'],
              ['seller', 'Seller, by its id in the library'],
              ['region', 'Region, by its id'],
              ['at', 'Address or file'],
            ] as const
          ).map(([id, label]) => (
            <label key={id} style={{ display: 'block', marginTop: 4 }}>
              {label}
              <input className="field" name={id} required />
            </label>
          ))}
          <label style={{ display: 'block', marginTop: 4 }}>
            Format
            <select className="field" name="format">
              <option value="json-ld">JSON-LD</option>
              <option value="csv">CSV</option>
            </select>
          </label>
          <FormFoot keep="Add it" onLeave={() => setAdding(false)} />
          {problems.length > 0 && <Problems title="It cannot be added yet" list={problems} />}
        </form>
      )}
    </section>
  );
}
