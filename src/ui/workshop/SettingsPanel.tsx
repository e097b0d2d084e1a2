'use client';

import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import { deskRegion, type Settings, POLICIES, type Policy } from '@/core/model/settings';
import { saveSettings } from '@/server/actions';
import { minorDigits, type Currency } from '@/core/units/money';
import { Panel } from '../shared/Panel';
import { Problems } from '../shared/Problems';
import { Num, Pick } from '../shared/phrases';
import { Value } from '../shared/Value';
import { BuyingSettings } from './BuyingSettings';

export interface RegionChoice {
  readonly id: string;
  readonly name: string;
  readonly currency: Currency;
  readonly taxName: string;
  readonly taxRate: number;
  readonly pricesIncludeTax: boolean;
}

const POLICY_NAME: Readonly<Record<Policy, string>> = {
  sustained: 'the heaviest sitting',
  peak: 'everything at its limit',
  excursion: 'short excursions',
  maker: 'the card maker’s advice',
  multiple: 'a multiple of the draw',
};

const NEWS = { label: 'Threshold of news', explains: 'A smaller change of a draft’s price is not told on the desk.' };

/** What holds for the whole desk, as a sentence whose values are changed in place. */
export function SettingsPanel({ settings, regions }: { settings: Settings; regions: readonly RegionChoice[] }) {
  const router = useRouter();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const region = deskRegion(regions, settings);
  const save = async (next: Settings) => {
    const result = await saveSettings(next);
    setProblems(result.state === 'refused' ? result.problems : []);
    if (result.state === 'done') router.refresh();
  };
  const { tariffMinorPerKWh: tariff, ...withoutTariff } = settings;
  const unitsACoin = 10 ** (region ? minorDigits(region.currency) : 2);
  return (
    <Panel title="Settings">
      {region ? (
        <p className="sentence">
          New seats and the library&apos;s prices are of{' '}
          <Value
            label="Region"
            editor={{
              kind: 'choice',
              value: region.id,
              options: regions.map((entry) => ({ value: entry.id, label: `${entry.name}, ${entry.currency}` })),
              onChange: (id) => void save({ ...settings, region: id }),
            }}
          >
            {region.name}
          </Value>{' '}
          ({region.currency}, {region.taxName} {Math.round(region.taxRate * 1000) / 10} %{' '}
          {region.pricesIncludeTax ? 'in' : 'on top of'} the prices). Electricity costs{' '}
          <Num
            label="Electricity tariff"
            value={tariff === undefined ? undefined : Number(tariff) / unitsACoin}
            unit={`${region.currency} a kWh`}
            min={0.0001}
            max={10}
            optional
            onChange={(value) =>
              void save(
                value === undefined
                  ? withoutTariff
                  : { ...settings, tariffMinorPerKWh: String(Math.round(value * unitsACoin * 1e4) / 1e4) },
              )
            }
          >
            {tariff === undefined ? 'an unknown tariff' : `${Number(tariff) / unitsACoin} ${region.currency} a kWh`}
          </Num>
          . A supply may give{' '}
          <Num
            label="Share of a supply's rating for hours"
            value={Math.round(settings.supplyShare * 100)}
            unit="%"
            min={50}
            max={100}
            onChange={(value) => value !== undefined && void save({ ...settings, supplyShare: value / 100 })}
          />{' '}
          of its rating for hours. What a supply must also carry:{' '}
          {POLICIES.map((policy, i) => (
            <span key={policy}>
              {i > 0 ? ', ' : ''}
              <Value
                label={`Sizing by ${POLICY_NAME[policy]}`}
                editor={{
                  kind: 'choice',
                  value: String(settings.policies.includes(policy)),
                  options: [
                    { value: 'true', label: 'counts' },
                    { value: 'false', label: 'is only shown' },
                  ],
                  onChange: (value) => {
                    const policies = POLICIES.filter((other) =>
                      other === policy ? value === 'true' : settings.policies.includes(other),
                    );
                    if (policies.length > 0) void save({ ...settings, policies });
                  },
                }}
              >
                {`${POLICY_NAME[policy]}: ${settings.policies.includes(policy) ? 'counts' : 'shown'}`}
              </Value>
            </span>
          ))}
          . The multiple is{' '}
          <Num
            label="Multiple of the sustained draw"
            value={settings.drawMultiple}
            unit="×"
            min={1}
            max={4}
            onChange={(value) => value !== undefined && void save({ ...settings, drawMultiple: value })}
          >
            {`× ${settings.drawMultiple}`}
          </Num>
          . Of the daily backups the last{' '}
          <Num
            label="Backups that are kept"
            value={settings.backupsKept}
            unit="backups"
            max={60}
            whole
            onChange={(value) => value !== undefined && void save({ ...settings, backupsKept: value })}
          >
            {settings.backupsKept === 0 ? 'none' : String(settings.backupsKept)}
          </Num>{' '}
          are kept. Prices that move by up to{' '}
          <Num
            label="Threshold of news"
            value={settings.newsPercent}
            unit="%"
            max={50}
            figure={NEWS}
            onChange={(value) => value !== undefined && void save({ ...settings, newsPercent: value })}
          />{' '}
          are no news. The library shows lengths in{' '}
          <Pick
            label="Unit of lengths"
            value={settings.lengthUnit}
            options={[
              ['mm', 'millimetres'],
              ['inch', 'inches'],
            ]}
            onChange={(lengthUnit) => void save({ ...settings, lengthUnit })}
          />
          .
        </p>
      ) : (
        <Typography variant="body2" color="text.secondary">
          There is no region yet: import a catalogue that has one.
        </Typography>
      )}
      {region && <BuyingSettings settings={settings} currency={region.currency} save={(next) => void save(next)} />}
      {problems.length > 0 && <Problems title="Not kept" list={problems} />}
    </Panel>
  );
}
