'use client';
import { useRouter } from 'next/navigation';
import { type FormEvent, useState } from 'react';
import { formatInstant, isTimeZone } from '@/core/dates/instant';
import { type House, type HouseRules, UNNAMED_HOUSE } from '@/core/judgement/houseRules';
import { Button, Key } from '../controls/Button';
import { TextField } from '../controls/TextField';
import { Tick } from '../controls/Tick';
import { useKeys } from '../controls/useKeys';
import { useMay } from '../people/Me';
import { RecordTabs } from '../records/RecordTabs';
import { post, request } from '../request';

interface Form extends Omit<House, 'languages'> {
  /** With commas. */
  languages: string;
}

/** Who the house is: its letters carry it, and its clock is the one that is read. */
export function HouseView({ rules, revision, zones }: { rules: HouseRules; revision: number; zones: string[] }) {
  const kept = rules.house ?? UNNAMED_HOUSE;
  const [form, setForm] = useState<Form>({ ...kept, languages: kept.languages.join(', ') });
  const set = (change: Partial<Form>) => setForm((old) => ({ ...old, ...change }));
  const [message, setMessage] = useState('');
  const router = useRouter();
  const mayDo = useMay();
  const save = async (event?: FormEvent) => {
    event?.preventDefault();
    if (form.name.trim() === '' || !mayDo('editHouse')) return;
    const { languages, logo, ...house } = form;
    const list = languages
      .split(',')
      .map((each) => each.trim())
      .filter(Boolean);
    try {
      const next = { ...rules, house: { ...house, languages: list, ...(logo ? { logo } : {}) } };
      await post('/api/rules', { rules: next, from: revision });
      setMessage('Kept. Letters carry it from now on.');
      router.refresh();
    } catch (error) {
      setMessage((error as Error).message);
    }
  };
  const takeLogo = async (file: File | undefined) => {
    if (!file) return;
    try {
      const { sha256 } = await request<{ sha256: string }>('/api/photos', { method: 'POST', body: file });
      set({ logo: sha256 });
      setMessage('The picture is taken; save to use it.');
    } catch (error) {
      setMessage((error as Error).message);
    }
  };
  useKeys('mod+s', () => void save(), { preventDefault: true, enableOnFormTags: true });
  const field = (name: 'name' | 'address' | 'timeZone' | 'currency' | 'languages') => ({
    value: form[name],
    onChange: ({ target }: { target: { value: string } }) => set({ [name]: target.value }),
  });
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <form onSubmit={save} className="grid max-w-[760px] gap-4">
        <div className="flex items-end justify-between gap-4">
          <h1 className="shrink-0 text-lg font-semibold">The house</h1>
          <div className="flex items-center gap-3">
            {message && <p role="status">{message}</p>}
            <Button type="submit" look="act" disabled={form.name.trim() === '' || !mayDo('editHouse')}>
              Save <Key>Ctrl S</Key>
            </Button>
          </div>
        </div>
        <TextField label="Name, as it heads its letters" wide maxLength={120} {...field('name')} />
        <label className="flex flex-col text-[13px] text-soft">
          Address
          <textarea
            rows={3}
            maxLength={400}
            {...field('address')}
            className="rounded-sm border border-line bg-sheet px-2 py-1 text-[15px] text-ink outline-none focus:border-accent"
          />
        </label>
        <div className="flex flex-wrap gap-4">
          <TextField label="Time zone" list="zones" className="w-56" maxLength={60} {...field('timeZone')} />
          <TextField label="Currency" className="w-24 font-mono" maxLength={3} {...field('currency')} />
          <TextField label="Languages of its letters" className="w-48" maxLength={120} {...field('languages')} />
        </div>
        <datalist id="zones">
          {zones.map((zone) => (
            <option key={zone} value={zone} />
          ))}
        </datalist>
        <p className="text-[13px] text-soft">
          {isTimeZone(form.timeZone)
            ? `On its wall, noon UTC of 1 Mar 2026 is ${formatInstant('2026-03-01T12:00:00Z', form.timeZone)}.`
            : 'That is no time zone that this machine knows.'}
        </p>
        <Tick
          label="Keep pictures as the camera made them, too, with what it wrote of place and owner"
          checked={form.originals === true}
          onChange={(originals) => set({ originals })}
        />
        <div className="flex items-center gap-4">
          {form.logo && (
            // biome-ignore lint/performance/noImgElement: a kept picture, shown as it is
            <img
              src={`/api/photos/${form.logo}`}
              alt="The house’s own mark"
              className="max-h-16 max-w-56 object-contain"
            />
          )}
          <label className="flex flex-col text-[13px] text-soft">
            Its own mark, for the head of letters (JPEG, PNG or WebP)
            <input
              type="file"
              accept="image/png,image/jpeg,image/webp"
              className="min-h-9 py-1 text-ink file:mr-3 file:min-h-8 file:rounded-sm file:border file:border-line file:bg-sheet file:px-3"
              onChange={({ target }) => void takeLogo(target.files?.[0])}
            />
          </label>
          {form.logo && (
            <Button look="quiet" onClick={() => set({ logo: undefined })}>
              Take it out
            </Button>
          )}
        </div>
      </form>
    </main>
  );
}
