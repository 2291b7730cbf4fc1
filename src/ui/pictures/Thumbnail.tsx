/** A kept photograph in small; a press opens it as it is. */
export const Thumbnail = ({ sha256, name }: { sha256: string; name: string }) => (
  <a href={`/api/photos/${sha256}`} target="_blank" rel="noreferrer">
    {/* biome-ignore lint/performance/noImgElement: kept pictures are served as they are */}
    <img src={`/api/photos/${sha256}?w=320`} alt={name} className="h-20 w-28 border border-line object-cover" />
  </a>
);
