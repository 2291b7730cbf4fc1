'use client';
import type { Circumstances } from '@/core/casefile/events/circumstancesStated';
import { Choice } from '../controls/Choice';
import { CONDITIONS, HOLDINGS, ORIGINS, PACKAGINGS, REFERENCE, withOrigin, withSeller } from './circumstances';
import { SellerField } from './SellerField';

/** Where the item came from and what there is of it. */
export function CircumstanceChoices({
  value,
  onChange,
  disabled,
}: {
  value: Circumstances;
  onChange: (value: Circumstances) => void;
  disabled?: boolean;
}) {
  return (
    <div className="flex flex-wrap gap-1.5">
      <Choice
        label="Channel"
        value={value.reference ? REFERENCE : value.channel}
        options={ORIGINS}
        disabled={disabled}
        onChange={(origin) => onChange(withOrigin(value, origin))}
      />
      <Choice
        label="Condition"
        value={value.condition}
        options={CONDITIONS}
        disabled={disabled}
        onChange={(condition) => onChange({ ...value, condition })}
      />
      <Choice
        label="Item in hand or pictures only"
        value={value.inHand ? 'hand' : 'pictures'}
        options={HOLDINGS}
        disabled={disabled}
        onChange={(holding) => onChange({ ...value, inHand: holding === 'hand' })}
      />
      <Choice
        label="Packaging"
        value={value.packaged ? 'packaged' : 'bare'}
        options={PACKAGINGS}
        disabled={disabled}
        onChange={(packaging) => onChange({ ...value, packaged: packaging === 'packaged' })}
      />
      <SellerField
        key={value.seller}
        seller={value.seller ?? ''}
        disabled={disabled}
        onChange={(seller) => onChange(withSeller(value, seller))}
      />
    </div>
  );
}
