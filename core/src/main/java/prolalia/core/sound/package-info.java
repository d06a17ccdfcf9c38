/**
 * Sound: samples in, measures, findings, trimmed and levelled samples out.
 *
 * <p>The way of a take through this package:
 *
 * <pre>{@code
 * Preparation preparation = TakePreparation.prepare(new Sound(samples, 48_000), 10 * 60_000L);
 * if (preparation instanceof PreparedTake take) encode(take.levelled());
 * }</pre>
 *
 * <p>Samples are {@code float}, full scale is ±1.0. Levels in dBFS are RMS against full scale 1.0 (a full-scale sine
 * reads -3.01 dBFS). Meters are fed block by block and belong to one thread; records are immutable values, but the
 * arrays in them are not copied.
 */
package prolalia.core.sound;
