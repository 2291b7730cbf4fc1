import { Document, Image, Page, Path, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import type { PaperSize } from './ReportDocument';

/** Points on a mm. */
const PT = 72 / 25.4;

const s = StyleSheet.create({
  page: { padding: 18 * PT, fontFamily: 'Next', fontSize: 11, lineHeight: 1.4 },
  head: { fontSize: 16, fontWeight: 600, lineHeight: 1.1, marginBottom: 4 * PT },
  item: { flexDirection: 'row', gap: 6 * PT, paddingVertical: 3 * PT, borderTop: '0.5 solid #9aa8a0' },
  slip: { border: '1 dashed #13201a', padding: 5 * PT, marginTop: 8 * PT, flexDirection: 'row', gap: 8 * PT },
});

/** A picture that is asked for, with one of ours to show how. */
export interface RequestedPicture {
  name: string;
  how: string;
  /** A picture of a known item, taken so. */
  like: Buffer | null;
}

/** The pictures that a seller is asked for, on a page, with the slip to lay beside the item. */
export function PictureRequestDocument({
  paper,
  number,
  house,
  begin,
  slip,
  end,
  pictures,
  code,
}: {
  paper: PaperSize;
  number: string;
  house: string;
  begin: string;
  slip: string;
  end: string;
  pictures: RequestedPicture[];
  /** QR code of the case number. */
  code: { d: string; size: number };
}) {
  return (
    <Document title={`Pictures for ${number}`} creator="Pinprick" producer="Pinprick">
      <Page size={paper} style={s.page}>
        {house !== '' && <Text style={{ marginBottom: 6 * PT }}>{house}</Text>}
        <Text style={s.head}>{number}</Text>
        <Text style={{ marginBottom: 5 * PT }}>{begin}</Text>
        {pictures.map(({ name, how, like }, i) => (
          <View key={name} style={s.item} wrap={false}>
            <Text style={{ width: 8 * PT }}>{i + 1}</Text>
            <View style={{ flex: 1 }}>
              <Text style={{ fontWeight: 600 }}>{name}</Text>
              <Text>{how}</Text>
            </View>
            {like && <Image src={like} style={{ width: 42 * PT, height: 32 * PT, objectFit: 'contain' }} />}
          </View>
        ))}
        <Text style={{ marginTop: 6 * PT }}>{end}</Text>
        <View style={s.slip} wrap={false}>
          <Svg width={24 * PT} height={24 * PT} viewBox={`0 0 ${code.size} ${code.size}`}>
            <Path d={code.d} fill="#13201a" />
          </Svg>
          <View style={{ flex: 1 }}>
            <Text style={{ fontSize: 22, fontFamily: 'Mono', lineHeight: 1 }}>{number}</Text>
            <Text style={{ marginTop: 3 * PT }}>{slip}</Text>
            <Text style={{ marginTop: 6 * PT, borderTop: '0.5 solid #13201a', paddingTop: 2 * PT }}> </Text>
          </View>
        </View>
      </Page>
    </Document>
  );
}
