'use client';
import type { SignInRules } from '@/core/people/person';
import { Choice } from '../controls/Choice';
import { Tick } from '../controls/Tick';

const SHIFTS = [4, 6, 8, 10, 12, 16, 24];

/** What the owner has settled about signing in. */
export function SignInRulesForm({
  rules,
  wide,
  manages,
  onChange,
}: {
  rules: SignInRules;
  wide: boolean;
  manages: boolean;
  onChange: (rules: SignInRules) => Promise<boolean>;
}) {
  return (
    <fieldset disabled={!manages} className="grid gap-1">
      <Tick
        label="One key press is enough at this machine"
        checked={rules.oneKey}
        onChange={(oneKey) => void onChange({ ...rules, oneKey })}
      />
      {wide && rules.oneKey && (
        <p className="text-[13px] text-soft">
          Not now: this desk is reached from other machines, so everybody signs in whole.
        </p>
      )}
      <Tick
        label="Sealing and confirming ask for a PIN or a passkey"
        checked={rules.proof}
        onChange={(proof) => void onChange({ ...rules, proof })}
      />
      <div className="flex min-h-9 items-center gap-2">
        A shift ends after
        <Choice
          label="Length of a shift"
          disabled={!manages}
          value={String(rules.shiftHours)}
          options={SHIFTS.map((hours) => ({ value: String(hours), label: `${hours} hours` }))}
          onChange={(hours) => void onChange({ ...rules, shiftHours: Number(hours) })}
        />
      </div>
    </fieldset>
  );
}
