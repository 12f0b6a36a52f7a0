import {
  BufferSource,
  BufferTarget,
  EncodedAudioPacketSource,
  EncodedPacketSink,
  EncodedVideoPacketSource,
  Input,
  MP4,
  Mp4OutputFormat,
  Output,
  QTFF,
  WEBM,
  WebMOutputFormat,
  type EncodedPacket,
  type InputAudioTrack,
  type InputVideoTrack,
} from 'mediabunny';
import { CLIP_LIMITS } from '@/core/videos';
import { bad, good, type Result } from '@/core/result';

export type ClipIssue =
  | { readonly code: 'notAClip' }
  | { readonly code: 'clipTooLarge'; readonly bytes: number }
  | { readonly code: 'clipTooLong'; readonly seconds: number }
  | { readonly code: 'clipTooShort' }
  | { readonly code: 'clipHasNoPicture' }
  | { readonly code: 'clipHasTooManyPixels' };

export interface ReadClip {
  /** The same pictures and sound, and nothing else that stood in the file. */
  readonly bytes: Uint8Array;
  readonly type: 'video/mp4' | 'video/webm';
  /** Start of the requested span in `bytes`: a video can be cut at a whole picture only. */
  readonly fromSeconds: number;
  /** How long the wished span is. */
  readonly seconds: number;
  readonly hasSound: boolean;
}

export interface ClipOptions {
  readonly fromSeconds: number;
  readonly toSeconds: number | null;
  readonly isMuted: boolean;
}

/** Codecs that browsers play without asking: others are refused, whatever container holds them. */
const CODECS = { video: ['avc', 'hevc', 'vp8', 'vp9', 'av1'], audio: ['aac', 'opus', 'vorbis', 'mp3'] } as const;

/**
 * Reads a clip by its content, whatever it is called: MP4, MOV or WebM. Its packets are copied into a file of our own, from the last whole
 * picture before the wished span to its end: what the camera wrote beside them (place, device, time, words) is not.
 * @returns what is wrong with it, as data; of the wished span, whether it is long enough and not longer than a minute
 */
export async function readClip(file: Uint8Array, options: ClipOptions): Promise<Result<ReadClip, ClipIssue>> {
  if (file.length > CLIP_LIMITS.mostBytes) return bad({ code: 'clipTooLarge', bytes: file.length });
  const input = new Input({ formats: [MP4, QTFF, WEBM], source: new BufferSource(file) });
  try {
    return await read(input, options);
  } catch {
    // Any failure of the reader is a fault of the file.
    return bad({ code: 'notAClip' });
  } finally {
    input.dispose();
  }
}

async function read(input: Input, options: ClipOptions): Promise<Result<ReadClip, ClipIssue>> {
  const video = await input.getPrimaryVideoTrack();
  if (!video?.codec || !isOne(CODECS.video, video.codec)) return bad({ code: video ? 'notAClip' : 'clipHasNoPicture' });
  if (video.codedWidth * video.codedHeight > CLIP_LIMITS.mostPixels) return bad({ code: 'clipHasTooManyPixels' });
  const length = await video.computeDuration();
  const from = Math.min(options.fromSeconds, length);
  const to = Math.min(options.toSeconds ?? length, length);
  const seconds = to - from;
  if (!Number.isFinite(seconds) || seconds < CLIP_LIMITS.leastSeconds) return bad({ code: 'clipTooShort' });
  if (seconds > CLIP_LIMITS.mostSeconds + CLIP_LIMITS.slackSeconds) return bad({ code: 'clipTooLong', seconds });
  const audio = options.isMuted ? null : await input.getPrimaryAudioTrack();
  const sound = audio?.codec && isOne(CODECS.audio, audio.codec) ? audio : null;
  const isMp4 = (await input.getFormat()) !== WEBM;
  const output = new Output({
    format: isMp4 ? new Mp4OutputFormat({ fastStart: 'in-memory' }) : new WebMOutputFormat(),
    target: new BufferTarget(),
  });
  const pictures = new EncodedVideoPacketSource(video.codec);
  output.addVideoTrack(pictures, { rotation: video.rotation });
  const tones = sound && new EncodedAudioPacketSource(sound.codec!);
  if (tones) output.addAudioTrack(tones);
  await output.start();
  const begins = await copyPictures(video, pictures, from, to);
  if (begins === null) return bad({ code: 'notAClip' });
  if (sound && tones) await copyTones(sound, tones, begins, to);
  await output.finalize();
  const bytes = new Uint8Array((output.target as BufferTarget).buffer!);
  return good({
    bytes,
    type: isMp4 ? 'video/mp4' : 'video/webm',
    fromSeconds: Math.max(0, from - begins),
    seconds,
    hasSound: tones !== null,
  });
}

/** Pictures that a codec looks ahead at most (H.264, from memory: 16). */
const MOST_BEYOND = 16;

/** Gives back the moment of the first picture that was copied; null where there is none. */
async function copyPictures(track: InputVideoTrack, to: EncodedVideoPacketSource, from: number, end: number): Promise<number | null> {
  const sink = new EncodedPacketSink(track);
  const first = (await sink.getKeyPacket(from)) ?? (await sink.getFirstPacket());
  const decoderConfig = (await track.getDecoderConfig()) ?? undefined;
  if (!first || first.type !== 'key' || !decoderConfig) return null;
  // Pictures stand in the order in which they are drawn up: one after the end may be what some before it are made from.
  let beyond: EncodedPacket[] = [];
  for await (const packet of sink.packets(first)) {
    if (packet.timestamp >= end) {
      if (packet.type === 'key' || beyond.length === MOST_BEYOND) break;
      beyond.push(packet);
      continue;
    }
    for (const each of [...beyond, packet]) await to.add(moved(each, first.timestamp), { decoderConfig });
    beyond = [];
  }
  return first.timestamp;
}

async function copyTones(track: InputAudioTrack, to: EncodedAudioPacketSource, from: number, end: number): Promise<void> {
  const sink = new EncodedPacketSink(track);
  const decoderConfig = (await track.getDecoderConfig()) ?? undefined;
  for await (const packet of sink.packets()) {
    if (packet.timestamp >= end) break;
    if (packet.timestamp >= from) await to.add(moved(packet, from), { decoderConfig });
  }
}

const moved = (packet: EncodedPacket, by: number) => packet.clone({ timestamp: Math.max(0, packet.timestamp - by) });

const isOne = (known: readonly string[], codec: string) => known.includes(codec);
