import Papa from 'papaparse';
import { fold } from '@/core/casefile/fold';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { findingWords } from '@/core/judgement/sentences';
import { type CaseExport, carriedGrounds } from '../transfer';

/** The findings of a case as CSV: one line a check. */
export function findingsTable(exported: CaseExport): string {
  const file = fold(exported.id, exported.events);
  const { findings, weighing } = assess(file, groundsOf(carriedGrounds(exported)));
  const weights = new Map(
    weighing.strands.flatMap(({ checks }) => checks.map(({ finding, weight }) => [finding.check.id, weight])),
  );
  return Papa.unparse(
    findings.map((finding) => {
      const { check, mark, value, nominal, reason, note, by, at } = finding;
      return {
        check: check.id,
        name: check.name,
        layer: check.layer,
        strand: check.strand,
        bearsOn: check.bearsOn,
        mark,
        finding: findingWords(finding),
        value: value ?? '',
        unit: nominal?.unit ?? '',
        expected: nominal?.value ?? '',
        tolerance: nominal?.tolerance ?? '',
        decibans: weights.get(check.id)?.toFixed(2) ?? '',
        support: check.support,
        source: check.source,
        reason: reason ?? '',
        note: note ?? '',
        by: by ?? '',
        at: at ?? '',
      };
    }),
    { escapeFormulae: true },
  );
}
