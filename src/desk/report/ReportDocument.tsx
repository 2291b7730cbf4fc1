import { Document, Image, Page, StyleSheet, Text, View } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { Finding } from '@/core/checks/finding';
import type { Assessment } from '@/core/judgement/assess';
import { formatShare } from '@/core/judgement/decide';
import type { Grounds } from '@/core/judgement/grounds';
import { handlingSentences } from '@/core/judgement/handling';
import {
  findingWords,
  formatInterval90,
  formatWeight,
  GOODS_WORDS,
  PACKAGING_WORDS,
  verdictSentences,
  weightWord,
} from '@/core/judgement/sentences';
import { waterfall } from '@/core/judgement/waterfall';
import { INK, LINE, MarkShape, QrCode, ScaleLine, SOFT, WaterfallBar } from './drawings';

export type PaperSize = 'A4' | 'LETTER';

/** A photograph ready for print. */
export interface PrintedPhoto {
  jpeg: Buffer;
  caption: string;
}

export interface ReportContent {
  file: CaseFile;
  grounds: Grounds;
  assessment: Assessment;
  photos: PrintedPhoto[];
  nameOf(checker: string): string;
  paper: PaperSize;
  madeAt: string;
}

const s = StyleSheet.create({
  page: { padding: 40, paddingBottom: 56, fontFamily: 'Next', fontSize: 9.5, color: INK, lineHeight: 1.4 },
  title: { fontSize: 17, fontWeight: 700, lineHeight: 1.2 },
  heading: {
    fontSize: 11,
    fontWeight: 700,
    borderBottom: `0.7 solid ${LINE}`,
    paddingBottom: 2,
    marginTop: 14,
    marginBottom: 5,
  },
  mono: { fontFamily: 'Mono' },
  soft: { color: SOFT },
  row: { flexDirection: 'row', borderBottom: `0.4 solid ${LINE}`, paddingVertical: 2.2, alignItems: 'center' },
  foot: {
    position: 'absolute',
    bottom: 22,
    left: 40,
    right: 40,
    height: 14,
    flexDirection: 'row',
    justifyContent: 'space-between',
  },
  footText: { fontSize: 7.5, color: SOFT, lineHeight: 1.2 },
});

const instant = (at: string): string => `${at.slice(0, 10)} ${at.slice(11, 16)} UTC`;

function Foot({ file }: Pick<ReportContent, 'file'>) {
  return (
    <View style={s.foot} fixed>
      <Text>
        {file.number} · log {file.head.slice(0, 16)}… · an opinion on the evidence listed; no legal finding, no
        accusation
      </Text>
      <Text render={({ pageNumber, totalPages }) => `${pageNumber} / ${totalPages}`} />
    </View>
  );
}

function Heading({ children }: { children: ReactNode }) {
  return (
    <Text style={s.heading} minPresenceAhead={40}>
      {children}
    </Text>
  );
}

function CustomerPage(content: ReportContent) {
  const { file, grounds, assessment, nameOf, paper } = content;
  const { release, maker, kind } = grounds;
  const { goods, packaging, thresholds } = assessment;
  const title = release ? `${maker?.name ?? ''} ${release.name}, ${release.colourName}` : file.query || kind.name;
  const sentences = verdictSentences(file, assessment);
  const by = file.seal ?? file.touched;
  const handling = handlingSentences(goods.decision, grounds.kind);
  return (
    <Page size={paper} style={s.page}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        <View style={{ flex: 1, paddingRight: 16 }}>
          <Text style={s.soft}>Opinion on an item · {file.number}</Text>
          <Text style={s.title}>{title}</Text>
          <Text style={[s.mono, { fontSize: 12, marginTop: 2 }]}>
            {release?.styleCode ?? ''}
            {file.sizeKey ? `   size ${file.sizeKey}` : ''}
          </Text>
          <Text style={[s.soft, { marginTop: 3 }]}>
            {file.seal ? 'Sealed' : 'Not sealed; a draft'} by {nameOf(by.by)}, {instant(by.at)}
          </Text>
        </View>
        <View style={{ alignItems: 'center', width: 84 }}>
          <QrCode text={`PINPRICK:${file.number}:${file.seal?.hash || file.head}`} size={76} />
          <Text style={{ fontSize: 6.5, color: SOFT }}>case and hash</Text>
        </View>
      </View>
      <View style={{ flexDirection: 'row', marginTop: 14, gap: 24 }}>
        {(
          [
            ['Goods', GOODS_WORDS[goods.decision], goods],
            ['Packaging', PACKAGING_WORDS[packaging.decision], packaging],
          ] as const
        ).map(([name, word, standing]) => (
          <View key={name} style={{ flex: 1 }}>
            <Text style={s.soft}>{name}</Text>
            <Text style={{ fontSize: 15, fontWeight: 700 }}>{word}</Text>
            {packaging.decision === 'notSeen' && name === 'Packaging' ? null : (
              <>
                <ScaleLine p={standing.p} interval={standing.interval} {...thresholds} width={230} />
                <Text style={{ fontSize: 8, color: SOFT }}>
                  {name === 'Goods' ? 'that they are genuine' : 'that it is their own'}: {formatShare(standing.p)},{' '}
                  {formatInterval90(standing.interval)}
                </Text>
              </>
            )}
          </View>
        ))}
      </View>
      <View style={{ marginTop: 12, gap: 5 }}>
        {sentences.map(({ about, text }) => (
          <Text
            key={about}
            style={about === 'goods' ? { fontSize: 12, fontWeight: 700 } : about === 'law' ? s.soft : {}}
          >
            {text}
          </Text>
        ))}
      </View>
      {handling.length > 0 && (
        <View style={{ marginTop: 10, borderLeft: `2 solid ${INK}`, paddingLeft: 8 }}>
          <Text>{handling.join(' ')}</Text>
        </View>
      )}
      <Foot file={file} />
    </Page>
  );
}

function Waterfall({ assessment, grounds }: ReportContent) {
  const { bars, low, high, sum } = waterfall(assessment.weighing, grounds.kind);
  return (
    <>
      <Heading>What moved it, in decibans (10 is a factor of ten)</Heading>
      {bars.map(({ name, weight, from, to }) => (
        <View key={name} style={s.row} wrap={false}>
          <Text style={{ width: 170 }}>{name}</Text>
          <WaterfallBar from={from} to={to} low={low} high={high} width={190} />
          <Text style={[s.mono, { width: 76, textAlign: 'right' }]}>{formatWeight(weight)}</Text>
          <Text style={[s.soft, { width: 70, paddingLeft: 8 }]}>{weightWord(weight)}</Text>
        </View>
      ))}
      <View style={s.row}>
        <Text style={{ width: 170, fontWeight: 700 }}>Odds now</Text>
        <Text style={{ width: 190 }} />
        <Text style={[s.mono, { width: 76, textAlign: 'right' }]}>{formatWeight(sum)}</Text>
      </View>
    </>
  );
}

function Findings({ assessment, nameOf }: ReportContent) {
  const weights = new Map(
    assessment.weighing.strands.flatMap(({ checks }) =>
      checks.map(({ finding, weight }) => [finding.check.id, weight]),
    ),
  );
  const answered = assessment.findings.filter(({ mark }) => mark !== 'open' && mark !== 'excused');
  const listed = (mark: string): Finding[] => assessment.findings.filter((finding) => finding.mark === mark);
  return (
    <>
      <Heading>Every finding</Heading>
      {answered.map((finding) => {
        const { check, mark, reason, note, by } = finding;
        const weight = weights.get(check.id);
        return (
          <View key={check.id} style={s.row} wrap={false}>
            <View style={{ width: 14 }}>
              <MarkShape mark={mark} />
            </View>
            <View style={{ flex: 1, paddingRight: 8 }}>
              <Text>{findingWords(finding)}</Text>
              <Text style={{ fontSize: 7.5, color: SOFT }}>
                {[
                  check.answer.form === 'codes' ? reason : null,
                  `${check.support}: ${check.source}`,
                  by ? nameOf(by) : null,
                  note ? `note: ${note}` : null,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Text>
            </View>
            <Text style={[s.mono, { width: 70, textAlign: 'right' }]}>
              {weight === undefined ? '' : formatWeight(weight)}
            </Text>
          </View>
        );
      })}
      {(
        [
          ['Excused', 'excused'],
          ['Not looked at', 'open'],
        ] as const
      ).map(([title, mark]) => {
        const findings = listed(mark);
        if (findings.length === 0) return null;
        return (
          <View key={mark}>
            <Heading>
              {title}, {findings.length}
            </Heading>
            <Text>
              {findings.map(({ check, reason }) => (reason ? `${check.name} (${reason})` : check.name)).join('; ')}.
            </Text>
          </View>
        );
      })}
    </>
  );
}

/** Places that were read, a few to a table, so that nothing is cut off. */
const PLACES_A_TABLE = 3;

function Matrix({ assessment }: ReportContent) {
  const { rows, places } = assessment.reading;
  const read = places.filter(({ id }) => rows.some((row) => row.cells[id]?.entry));
  const tables = Array.from({ length: Math.ceil(read.length / PLACES_A_TABLE) }, (_, i) =>
    read.slice(i * PLACES_A_TABLE, (i + 1) * PLACES_A_TABLE),
  );
  if (tables.length === 0) return null;
  return (
    <>
      <Heading>What is printed where</Heading>
      {tables.map((some) => (
        <View key={some.map(({ id }) => id).join()} style={{ marginBottom: 8 }}>
          <View style={[s.row, { color: SOFT }]}>
            <Text style={{ width: 96 }}>Fact</Text>
            <Text style={{ width: 96 }}>Record</Text>
            {some.map(({ id, name }) => (
              <Text key={id} style={{ flex: 1, fontWeight: 700 }}>
                {name}
              </Text>
            ))}
          </View>
          {rows
            .filter(({ cells }) => some.some(({ id }) => cells[id]?.entry))
            .map(({ fact, expected, cells }) => (
              <View key={fact.id} style={s.row} wrap={false}>
                <Text style={{ width: 96 }}>{fact.name}</Text>
                <Text style={{ width: 96, color: SOFT, fontSize: 8 }}>{expected?.display ?? ''}</Text>
                {some.map(({ id }) => {
                  const cell = cells[id];
                  return (
                    <View key={id} style={{ flex: 1, flexDirection: 'row', gap: 3, paddingRight: 4 }}>
                      {cell?.entry && <MarkShape mark={cell.mark} size={7} />}
                      <Text style={[fact.code ? s.mono : {}, { fontSize: 8, flex: 1 }]}>{cell?.display ?? ''}</Text>
                    </View>
                  );
                })}
              </View>
            ))}
        </View>
      ))}
    </>
  );
}

function Photographs({ photos }: ReportContent) {
  if (photos.length === 0) return null;
  return (
    <>
      <Heading>Photographs, {photos.length}</Heading>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
        {photos.map(({ jpeg, caption }) => (
          <View key={caption} style={{ width: 160 }} wrap={false}>
            <Image src={{ data: jpeg, format: 'jpg' }} style={{ width: 160, maxHeight: 150, objectFit: 'contain' }} />
            <Text style={{ fontSize: 7.5, color: SOFT }}>{caption}</Text>
          </View>
        ))}
      </View>
    </>
  );
}

function Readings({ assessment, file, grounds, madeAt }: ReportContent) {
  const { oneFault, chain, goods, parting } = assessment;
  const pins = file.seal?.pins;
  const lines: [string, string][] = [
    ['Weighing', GOODS_WORDS[goods.decision]],
    [
      'One fault',
      oneFault.faults.length === 0 ? 'no fault' : oneFault.faults.map(({ check }) => check.name).join(', '),
    ],
    ['Chain', { holds: 'holds', broken: 'broken', open: 'nothing of it was seen' }[chain.says]],
    ['Where they part', parting ?? 'they do not'],
    [
      'House rules',
      `${grounds.houseRules.school === 'weighing' ? 'decided by weighing' : `decided by ${grounds.houseRules.school}`}${pins ? `, revision ${pins.houseRules.revision}` : ''}`,
    ],
    [
      'Record',
      pins?.release ? `${pins.release.id}, revision ${pins.release.revision}` : (grounds.release?.id ?? 'none'),
    ],
    ['Seal', file.seal?.hash || 'none'],
    ['Log', `${file.seq} events, last ${file.head}`],
    ['Made', instant(madeAt)],
  ];
  return (
    <>
      <Heading>Three readings, and what it rests on</Heading>
      {lines.map(([name, text]) => (
        <View key={name} style={s.row} wrap={false}>
          <Text style={[s.soft, { width: 96 }]}>{name}</Text>
          <Text style={{ flex: 1 }}>{text}</Text>
        </View>
      ))}
    </>
  );
}

/** A verdict on paper: one page for the customer, then all of the working. */
export function ReportDocument(content: ReportContent) {
  const { file, paper } = content;
  return (
    <Document title={`${file.number}, opinion on an item`} creator="Pinprick" producer="Pinprick" language="en">
      <CustomerPage {...content} />
      <Page size={paper} style={s.page}>
        <Text style={s.title}>The working</Text>
        <Readings {...content} />
        <Waterfall {...content} />
        <Matrix {...content} />
        <Findings {...content} />
        <Photographs {...content} />
        <Foot file={file} />
      </Page>
    </Document>
  );
}
