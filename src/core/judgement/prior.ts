import type { Circumstances } from '../casefile/events/circumstancesStated';
import { type Beta, meanOf } from './classes';
import type { Edition } from './edition';
import type { HouseRules } from './houseRules';
import type { TellStatistics } from './statistics';

/** What a house's statement about a channel is worth, in items that came by it. */
export const CHANNEL_WORTH = 20;

/** What a channel's share is worth for each of its sellers, in items that the seller brought. */
export const SELLER_WORTH = 10;

/** A channel's share of counterfeits: what the house says, and what came by it since. */
export function channelShare(
  channel: Circumstances['channel'],
  rules: HouseRules,
  statistics: TellStatistics | null,
): Beta {
  const stated = rules.priors[channel];
  return statistics?.shares?.channels[channel] ?? [stated * CHANNEL_WORTH, (1 - stated) * CHANNEL_WORTH];
}

/**
 * P(counterfeit) before anything is seen, by the channel and the seller that the item came from.
 *
 * @returns what the house states where it holds its figures, and in the first edition
 */
export function priorOf(
  { channel, seller }: Pick<Circumstances, 'channel' | 'seller'>,
  rules: HouseRules,
  statistics: TellStatistics | null,
  edition: Edition,
): number {
  if (edition.number === 1 || rules.frozen?.shares) return rules.priors[channel];
  const own = seller ? statistics?.shares?.sellers[`${channel}/${seller}`] : undefined;
  return meanOf(own ?? channelShare(channel, rules, statistics));
}

/** Statistics as they would have been learned with other statements about the channels, as good as. */
export function withStatedShares(statistics: TellStatistics, before: HouseRules, after: HouseRules): TellStatistics {
  if (!statistics.shares) return statistics;
  const channels = Object.entries(statistics.shares.channels).map(([channel, [yes, no]]): [string, Beta] => {
    const { [channel as Circumstances['channel']]: was } = before.priors;
    const { [channel as Circumstances['channel']]: is } = after.priors;
    const more = CHANNEL_WORTH * ((is ?? 0) - (was ?? 0));
    return [channel, [yes + more, no - more]];
  });
  return { ...statistics, shares: { ...statistics.shares, channels: Object.fromEntries(channels) } };
}
