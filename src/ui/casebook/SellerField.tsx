'use client';
import { useState } from 'react';

/** The house's own label for whoever sells or brings the item; kept when the field is left. */
export function SellerField({
  seller,
  disabled,
  onChange,
}: {
  seller: string;
  disabled?: boolean;
  onChange: (seller: string) => void;
}) {
  const [text, setText] = useState(seller);
  return (
    <input
      aria-label="Seller, by the house’s own label"
      placeholder="seller"
      value={text}
      disabled={disabled}
      maxLength={80}
      spellCheck={false}
      autoComplete="off"
      onChange={(event) => setText(event.target.value)}
      onBlur={() => text.trim() !== seller && onChange(text)}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && event.currentTarget.form === null) event.currentTarget.blur();
        if (event.key === 'Escape') setText(seller);
      }}
      className="h-9 w-24 rounded-sm border border-line bg-sheet px-2 outline-none focus:border-accent disabled:opacity-60"
    />
  );
}
