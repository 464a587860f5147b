/** What a host takes. */
export interface HostLimits {
  /** Of one file, and of a site's together. */
  readonly fileBytes: number;
  readonly siteBytes: number;
  /** Of one site. */
  readonly files: number;
  /** Of all sites together: the one of longest ago makes room. */
  readonly allBytes: number;
}

/** A usual host's; hosts differ (common practice, no source). */
export const hostLimits: HostLimits = {
  fileBytes: 4e6,
  siteBytes: 40e6,
  files: 1900,
  allBytes: 160e6,
};
