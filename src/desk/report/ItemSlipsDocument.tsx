import { Document, Page, Path, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import type { PaperSize } from './ReportDocument';

/** Points on a mm. */
const PT = 72 / 25.4;
const ACROSS = 2;
const DOWN = 6;

const s = StyleSheet.create({
  page: { padding: 10 * PT, fontFamily: 'Next', fontSize: 9, lineHeight: 1.3 },
  row: { flexDirection: 'row' },
  slip: {
    width: '50%',
    height: 45 * PT,
    padding: 4 * PT,
    border: '0.4 dashed #9aa8a0',
    flexDirection: 'row',
    gap: 4 * PT,
  },
  number: { fontFamily: 'Mono', fontSize: 17, lineHeight: 1, marginBottom: 1.5 * PT },
  head: { fontSize: 16, fontWeight: 600, lineHeight: 1.1 },
  line: { flexDirection: 'row', gap: 4 * PT, borderTop: '0.4 solid #9aa8a0', paddingVertical: 2 * PT },
  sign: { flexDirection: 'row', gap: 12 * PT, marginTop: 14 * PT },
  signed: { flex: 1, borderTop: '0.6 solid #13201a', paddingTop: 1.5 * PT },
});

/** A piece as it is printed. */
export interface PrintedPiece {
  number: string;
  title: string;
  /** Size, their own number, and the like. */
  more: string;
  decision: string;
}

/** A slip for each item: its number in letters, as QR and as Code 128, scanned anywhere to open its case. */
export function ItemSlipsDocument({
  paper,
  pieces,
}: {
  paper: PaperSize;
  pieces: (PrintedPiece & { qr: { d: string; size: number }; bars: { d: string; width: number } })[];
}) {
  const rows = Array.from({ length: Math.ceil(pieces.length / ACROSS) }, (_, i) =>
    pieces.slice(i * ACROSS, (i + 1) * ACROSS),
  );
  const pages = Array.from({ length: Math.ceil(rows.length / DOWN) }, (_, i) => rows.slice(i * DOWN, (i + 1) * DOWN));
  return (
    <Document title="Slips" creator="Pinprick" producer="Pinprick">
      {pages.map((page) => (
        <Page key={page[0]?.[0]?.number} size={paper} style={s.page}>
          {page.map((row) => (
            <View key={row[0]?.number} style={s.row}>
              {row.map(({ number, title, more, qr, bars }) => (
                <View key={number} style={s.slip}>
                  <Svg width={25 * PT} height={25 * PT} viewBox={`0 0 ${qr.size} ${qr.size}`}>
                    <Path d={qr.d} fill="#13201a" />
                  </Svg>
                  <View style={{ flex: 1 }}>
                    <Text style={s.number}>{number}</Text>
                    <Text>{title}</Text>
                    <Text style={{ color: '#4b5a52' }}>{more}</Text>
                    <Svg
                      width={44 * PT}
                      height={8 * PT}
                      viewBox={`0 0 ${bars.width} 1`}
                      preserveAspectRatio="none"
                      style={{ marginTop: 2 * PT }}
                    >
                      <Path d={bars.d} fill="#13201a" />
                    </Svg>
                  </View>
                </View>
              ))}
            </View>
          ))}
        </Page>
      ))}
    </Document>
  );
}

/** What goes back to whoever brought it, or out to whoever gets it, with lines to sign. */
export function HandoverDocument({
  paper,
  as,
  name,
  house,
  day,
  pieces,
}: {
  paper: PaperSize;
  as: 'return' | 'release';
  name: string;
  house: string;
  day: string;
  pieces: PrintedPiece[];
}) {
  return (
    <Document title={`${as === 'return' ? 'Return' : 'Release'} ${name}`} creator="Pinprick" producer="Pinprick">
      <Page size={paper} style={s.page}>
        <Text>{house}</Text>
        <Text style={{ ...s.head, marginVertical: 3 * PT }}>
          {as === 'return' ? 'Returned' : 'Released'}: {name}
        </Text>
        <Text style={{ marginBottom: 4 * PT }}>
          {day} · {pieces.length} {pieces.length === 1 ? 'item' : 'items'}. What is said of an item is an opinion, and
          local law decides what may be done with it.
        </Text>
        {pieces.map(({ number, title, more, decision }) => (
          <View key={number} style={s.line} wrap={false}>
            <Text style={{ width: 22 * PT, fontFamily: 'Mono' }}>{number}</Text>
            <Text style={{ flex: 1 }}>
              {title}
              {more ? ` · ${more}` : ''}
            </Text>
            <Text style={{ width: 32 * PT }}>{decision}</Text>
          </View>
        ))}
        <View style={s.sign} wrap={false}>
          <Text style={s.signed}>handed over, name and day</Text>
          <Text style={s.signed}>received, name and day</Text>
        </View>
      </Page>
    </Document>
  );
}
