'use client';
import { useEffect, useState } from 'react';
import type { HouseRules } from '@/core/judgement/houseRules';
import { post } from '../request';
import type { Preview } from './PreviewTable';

/** Whoever still types has not settled on a figure. */
const REST_MS = 300;

/** What edited rules would have made of the last cases; null until it is known. */
export function usePreview(rules: HouseRules): { preview: Preview | null; trouble: string } {
  const [preview, setPreview] = useState<Preview | null>(null);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      post<Preview>('/api/rules/preview', rules).then(
        (next) => {
          if (!current) return;
          setPreview(next);
          setTrouble('');
        },
        (error) => current && setTrouble((error as Error).message),
      );
    }, REST_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [rules]);
  return { preview, trouble };
}
