import { Document, Image, Page, StyleSheet, Text, View } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { Channel } from '@/core/casefile/events/circumstancesStated';
import type { Finding } from '@/core/checks/finding';
import { stripOf } from '@/core/checks/toleranceStrip';
import { cameBy } from '@/core/crossread/cameBy';
import { leadingSize } from '@/core/crossread/context';
import type { DateMark } from '@/core/crossread/dateLine';
import { factName } from '@/core/crossread/facts';
import { MARK_WORDS } from '@/core/crossread/mark';
import { formatInstant } from '@/core/dates/instant';
import type { Assessment } from '@/core/judgement/assess';
import { formatShare } from '@/core/judgement/decide';
import type { Grounds } from '@/core/judgement/grounds';
import { handlingSentences } from '@/core/judgement/handling';
import type { House } from '@/core/judgement/houseRules';
import { chainWords } from '@/core/judgement/readings';
import {
  findingWords,
  forAndAgainst,
  formatInterval90,
  formatWeight,
  GOODS_WORDS,
  oddsWords,
  PACKAGING_WORDS,
  verdictSentences,
  weightWord,
} from '@/core/judgement/sentences';
import { waterfall } from '@/core/judgement/waterfall';
import { INK, LINE, MarkShape, QrCode, ScaleLine, SOFT, StripShape, WaterfallBar } from './drawings';

export type PaperSize = 'A4' | 'LETTER';

/** A photograph ready for print. */
export interface PrintedPhoto {
  /** Null where it can no longer be read. */
  jpeg: Buffer | null;
  caption: string;
  /** The check that it belongs to. */
  check?: string;
}

export interface ReportContent {
  house: House;
  /** The house's own mark, ready for print. */
  logo: Buffer | null;
  file: CaseFile;
  grounds: Grounds;
  assessment: Assessment;
  /** What does not hold about the log; null where all of it holds. */
  trouble: string | null;
  /** Who vouches for the sealed verdict, as a sentence; null where none is sealed. */
  vouched: string | null;
  photos: PrintedPhoto[];
  marks: DateMark[];
  nameOf(checker: string): string;
  paper: PaperSize;
  madeAt: string;
}

const s = StyleSheet.create({
  page: { padding: 40, paddingBottom: 56, fontFamily: 'Next', fontSize: 9.5, color: INK },
  // Not on the page itself: text that is made when the pages are known, such as their numbers, is lost under it.
  body: { fontSize: 9.5, lineHeight: 1.4 },
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
  draft: {
    position: 'absolute',
    top: 330,
    left: 60,
    right: 60,
    textAlign: 'center',
    fontSize: 110,
    fontWeight: 700,
    lineHeight: 1,
    color: '#000000',
    opacity: 0.07,
    transform: 'rotate(-32deg)',
  },
  footText: { fontSize: 7.5, color: SOFT },
});

function Foot({ file, house }: Pick<ReportContent, 'file' | 'house'>) {
  return (
    <>
      <Text style={[s.footText, { position: 'absolute', bottom: 24, left: 40, right: 120 }]} fixed>
        {house.name ? `${house.name} · ` : ''}
        {file.number} · log {file.head.slice(0, 16)}… · an opinion on the evidence listed; no legal finding, no
        accusation
      </Text>
      <Text
        style={[s.footText, { position: 'absolute', bottom: 24, right: 40, width: 80, textAlign: 'right' }]}
        fixed
        render={({ pageNumber, totalPages }) => `page ${pageNumber} of ${totalPages}`}
      />
    </>
  );
}

/** Across every page of what is not sealed, or does not hold. */
function Across({ file, trouble }: Pick<ReportContent, 'file' | 'trouble'>) {
  if (file.seal && !trouble) return null;
  return (
    <>
      <Text style={trouble ? [s.draft, { fontSize: 62, opacity: 0.16 }] : s.draft} fixed>
        {trouble ? 'DOES NOT HOLD' : 'DRAFT'}
      </Text>
      {trouble && (
        <Text style={{ position: 'absolute', top: 14, left: 40, right: 40, fontSize: 8.5, fontWeight: 700 }} fixed>
          {trouble}
        </Text>
      )}
    </>
  );
}

/** The house's own head. */
function Letterhead({ house, logo }: Pick<ReportContent, 'house' | 'logo'>) {
  if (!house.name && !logo) return null;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12, marginBottom: 14 }}>
      {logo && (
        <Image src={{ data: logo, format: 'png' }} style={{ height: 34, maxWidth: 130, objectFit: 'contain' }} />
      )}
      <View>
        <Text style={{ fontSize: 12, fontWeight: 700, lineHeight: 1.3 }}>{house.name}</Text>
        <Text style={{ fontSize: 8, color: SOFT }}>{house.address.split(/\r?\n/).filter(Boolean).join(' · ')}</Text>
      </View>
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

const CHANNEL_WORDS: Record<Channel, string> = {
  unstated: 'channel not stated',
  'walk-in': 'brought in over the counter',
  regular: 'from a regular seller',
  marketplace: 'from a marketplace',
  auction: 'from an auction',
  trade: 'from the trade',
};

/** How it came and what of it could be looked at. */
function howItCame({ circumstances }: CaseFile): string {
  const { channel, condition, inHand, packaged } = circumstances;
  const parts = [
    `condition: ${condition}`,
    CHANNEL_WORDS[channel],
    inHand ? 'looked at in hand' : 'looked at in pictures only',
    packaged ? 'with its packaging' : 'without packaging',
  ];
  return parts.join(' · ');
}

/** The photographs of the checks that moved the opinion most. */
function deciding({ photos, assessment }: ReportContent): PrintedPhoto[] {
  const { speaksFor, speaksAgainst } = forAndAgainst(assessment);
  const weights = new Map(
    [...speaksFor, ...speaksAgainst].map(({ finding, weight }) => [finding.check.id, Math.abs(weight)]),
  );
  return photos
    .filter(({ check }) => check && weights.has(check))
    .sort((a, b) => (weights.get(b.check ?? '') ?? 0) - (weights.get(a.check ?? '') ?? 0))
    .slice(0, 3);
}

/** What a customer is told: no weights in decibans, but odds; the working has the rest. */
const PLAIN = new Set(['goods', 'packaging', 'open', 'limits', 'law']);

function CustomerPage(content: ReportContent) {
  const { file, grounds, assessment, nameOf, paper, house, madeAt } = content;
  const { release, maker, kind } = grounds;
  const { goods, packaging, thresholds, weighing } = assessment;
  const title = release ? `${maker?.name ?? ''} ${release.name}, ${release.colourName}` : file.query || kind.name;
  const sentences = verdictSentences(file, assessment).filter(({ about }) => PLAIN.has(about));
  const by = file.seal ?? file.touched;
  const handling = handlingSentences(goods.decision, grounds.kind);
  const notices = Object.values(file.notices).filter(({ others }) => others.length > 0);
  const pictures = deciding(content);
  return (
    <Page size={paper} style={s.page}>
      <Across {...content} />
      <View style={s.body}>
        <Letterhead {...content} />
        <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
          <View style={{ flex: 1, paddingRight: 16 }}>
            <Text style={s.soft}>
              {file.seal ? 'Opinion on an item' : 'Draft, not an opinion yet'} · {file.number}
            </Text>
            <Text style={s.title}>{title}</Text>
            <Text style={[s.mono, { fontSize: 12, marginTop: 2 }]}>
              {release?.styleCode ?? ''}
              {file.sizeKey ? `   size ${file.sizeKey}` : ''}
            </Text>
            <Text style={[s.soft, { marginTop: 3 }]}>{howItCame(file)}</Text>
            <Text style={s.soft}>
              {file.seal
                ? `Sealed by ${nameOf(by.by)}, ${formatInstant(by.at, house.timeZone)}`
                : `Printed ${formatInstant(madeAt, house.timeZone)}; the work goes on`}
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
              ['Goods', GOODS_WORDS[goods.decision], goods, 'that they are genuine'],
              ['Packaging', PACKAGING_WORDS[packaging.decision], packaging, 'that it is their own'],
            ] as const
          ).map(([name, word, standing, what]) => (
            <View key={name} style={{ flex: 1 }}>
              <Text style={s.soft}>{name}</Text>
              <Text style={{ fontSize: 15, fontWeight: 700 }}>{word}</Text>
              {packaging.decision === 'notSeen' && name === 'Packaging' ? null : (
                <>
                  <ScaleLine p={standing.p} interval={standing.interval} {...thresholds} width={230} />
                  <Text style={{ fontSize: 8, color: SOFT }}>
                    {file.circumstances.inHand ? what : 'what the pictures alone would make it'}:{' '}
                    {formatShare(standing.p)}, {formatInterval90(standing.interval)}
                  </Text>
                </>
              )}
            </View>
          ))}
        </View>
        <View style={{ marginTop: 12, gap: 5 }}>
          {sentences.map(({ about, text }) => (
            <View key={about} style={{ gap: 5 }}>
              <Text style={about === 'goods' ? { fontSize: 12, fontWeight: 700 } : about === 'law' ? s.soft : {}}>
                {text}
              </Text>
              {about === 'goods' && <Text>{oddsWords(weighing.weight)}</Text>}
            </View>
          ))}
        </View>
        {notices.map(({ key, display, fact, others }) => (
          <Text key={key} style={{ marginTop: 6, fontWeight: 700 }}>
            Since it was sealed, the {factName(fact, null)} {display} was met on{' '}
            {others.length === 1 ? 'another item' : `${others.length} other items`} at this desk; ask for the newest
            state of the case.
          </Text>
        ))}
        {handling.length > 0 && (
          <View style={{ marginTop: 10, borderLeft: `2 solid ${INK}`, paddingLeft: 8 }}>
            <Text>{handling.join(' ')}</Text>
          </View>
        )}
        {pictures.length > 0 && (
          <View style={{ flexDirection: 'row', gap: 10, marginTop: 14 }}>
            {pictures.map((photo) => (
              <PhotoBox key={photo.caption} photo={photo} />
            ))}
          </View>
        )}
        {file.seal && (
          <View style={{ flexDirection: 'row', gap: 24, marginTop: 34 }} wrap={false}>
            {[nameOf(by.by), 'place and date'].map((what) => (
              <View key={what} style={{ flex: 1, borderTop: `0.7 solid ${INK}`, paddingTop: 3 }}>
                <Text style={{ fontSize: 8, color: SOFT }}>{what}</Text>
              </View>
            ))}
          </View>
        )}
      </View>
      <Foot {...content} />
    </Page>
  );
}

function PhotoBox({ photo: { jpeg, caption } }: { photo: PrintedPhoto }) {
  return (
    <View style={{ width: 160 }} wrap={false}>
      {jpeg ? (
        <Image src={{ data: jpeg, format: 'jpg' }} style={{ width: 160, maxHeight: 150, objectFit: 'contain' }} />
      ) : (
        <Text>This photograph can no longer be read here: it is missing, or was changed since it was kept.</Text>
      )}
      <Text style={{ fontSize: 7.5, color: SOFT }}>{caption}</Text>
    </View>
  );
}

/** One page to lie with the item: what it is, how it stands, how to find the case. */
export function SlipDocument(content: ReportContent) {
  const { file, grounds, assessment, house, madeAt } = content;
  const { release, maker, kind } = grounds;
  const title = release ? `${maker?.name ?? ''} ${release.name}, ${release.colourName}` : file.query || kind.name;
  return (
    <Document title={`${file.number}, slip`} creator="Pinprick" producer="Pinprick" language="en">
      <Page size="A6" style={[s.page, { padding: 24, paddingBottom: 30 }]}>
        <View style={s.body}>
          <Letterhead {...content} />
          <View style={{ flexDirection: 'row', gap: 12 }}>
            <QrCode text={file.number} size={84} />
            <View style={{ flex: 1 }}>
              <Text style={[s.mono, { fontSize: 17, fontWeight: 700, lineHeight: 1.3 }]}>{file.number}</Text>
              <Text style={{ fontWeight: 700, marginTop: 4 }}>{title}</Text>
              <Text style={s.mono}>{release?.styleCode ?? ''}</Text>
              {file.sizeKey && <Text>size {file.sizeKey}</Text>}
            </View>
          </View>
          <Text style={{ marginTop: 10 }}>{howItCame(file)}</Text>
          <Text style={{ marginTop: 8, fontSize: 12, fontWeight: 700 }}>
            {file.seal
              ? `Goods ${GOODS_WORDS[assessment.goods.decision]}, packaging ${PACKAGING_WORDS[assessment.packaging.decision]}`
              : 'Not decided yet'}
          </Text>
          <Text style={[s.soft, { marginTop: 8, fontSize: 8 }]}>
            {file.seal
              ? `Sealed ${formatInstant(file.seal.at, house.timeZone)}`
              : `Printed ${formatInstant(madeAt, house.timeZone)}`}
            . An opinion on the evidence listed; no legal finding, no accusation.
          </Text>
        </View>
      </Page>
    </Document>
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

function Findings({ assessment, nameOf, grounds, file }: ReportContent) {
  const size = leadingSize({ chart: grounds.chart, sizeKey: file.sizeKey });
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
        const { check, mark, reason, note, by, supplied } = finding;
        const weight = weights.get(check.id);
        const strip = stripOf(finding, grounds.release, size);
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
                  supplied ? supplied.working : null,
                  by ? nameOf(by) : null,
                  note ? `note: ${note}` : null,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Text>
            </View>
            {strip && <StripShape strip={strip} width={140} />}
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

function Matrix({ assessment, file }: ReportContent) {
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
          <View style={[s.row, { color: SOFT }]} fixed>
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
      <Text style={s.soft}>{cameBy(file.facts)}</Text>
    </>
  );
}

function Photographs({ photos }: ReportContent) {
  if (photos.length === 0) return null;
  return (
    <>
      <Heading>Photographs, {photos.length}</Heading>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
        {photos.map((photo) => (
          <PhotoBox key={photo.caption} photo={photo} />
        ))}
      </View>
    </>
  );
}

function Readings({ assessment, file, grounds, madeAt, house, vouched }: ReportContent) {
  const { oneFault, chain, goods, parting } = assessment;
  const pins = file.seal?.pins;
  const lines: [string, string][] = [
    ['Weighing', GOODS_WORDS[goods.decision]],
    [
      'One fault',
      oneFault.faults.length === 0 ? 'no fault' : oneFault.faults.map(({ check }) => check.name).join(', '),
    ],
    ['Chain', chainWords(chain)],
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
    ...(vouched ? [['Vouched for', vouched] as [string, string]] : []),
    ['Log', `${file.seq} events, last ${file.head}`],
    ['Made', formatInstant(madeAt, house.timeZone)],
    ['How it came', howItCame(file)],
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

/** Everything with a date, and what contradicts what. */
function Dates({ marks }: ReportContent) {
  if (marks.length < 2) return null;
  return (
    <>
      <Heading>Dates</Heading>
      {marks.map(({ id, label, text, against }) => (
        <View key={id} style={s.row} wrap={false}>
          <Text style={{ width: 170 }}>{label}</Text>
          <Text style={{ width: 150 }}>{text}</Text>
          <Text style={{ flex: 1, fontSize: 8 }}>{against.map(({ sentence }) => sentence).join(' ')}</Text>
        </View>
      ))}
    </>
  );
}

/** Each genuine variant, and what it cannot account for. */
function Chains({ assessment }: ReportContent) {
  const { fits } = assessment.chain.fit;
  if (fits.length === 0) return null;
  return (
    <>
      <Heading>Variant chains</Heading>
      {fits.map(({ variant, broken }) => (
        <View key={variant.id} style={s.row} wrap={false}>
          <View style={{ width: 14 }}>
            <MarkShape mark={broken.length > 0 ? 'differs' : 'agrees'} />
          </View>
          <Text style={{ width: 170 }}>{variant.name}</Text>
          <Text style={{ flex: 1, fontSize: 8 }}>
            {broken.length > 0
              ? `does not account for ${broken.map(({ label }) => label).join('; ')}`
              : 'accounts for all that was seen'}
          </Text>
        </View>
      ))}
    </>
  );
}

const LEGEND = ['agrees', 'differs', 'cantTell', 'missing', 'excused', 'open'] as const;
/** What the marks mean. */
function Legend() {
  return (
    <View style={{ flexDirection: 'row', gap: 14, marginTop: 6 }}>
      {LEGEND.map((mark) => (
        <View key={mark} style={{ flexDirection: 'row', gap: 3, alignItems: 'center' }}>
          <MarkShape mark={mark} size={7} />
          <Text style={{ fontSize: 8, color: SOFT }}>{MARK_WORDS[mark]}</Text>
        </View>
      ))}
    </View>
  );
}

/** A verdict on paper: one page for the customer, then all of the working. */
export function ReportDocument(content: ReportContent) {
  const { file, paper } = content;
  return (
    <Document title={`${file.number}, opinion on an item`} creator="Pinprick" producer="Pinprick" language="en">
      <CustomerPage {...content} />
      <Page size={paper} style={s.page}>
        <Across {...content} />
        <View style={s.body}>
          <Text style={s.title}>The working</Text>
          <Legend />
          <Readings {...content} />
          <Waterfall {...content} />
          <Dates {...content} />
          <Chains {...content} />
          <Matrix {...content} />
          <Findings {...content} />
          <Photographs {...content} />
        </View>
        <Foot {...content} />
      </Page>
    </Document>
  );
}
