import type { StreamId } from '../../model/linkIds.ts';

/** A message that is sent again and again over a MAVLink 2 link. */
export interface StreamMessage {
  /** As the public definitions name it. */
  readonly name: string;
  /** Its fields in short, extensions too: `u32 f32x6` is an unsigned number of 32 bits and six floating ones. */
  readonly fields: string;
  /** From the vehicle to who reads, or to the vehicle. */
  readonly goes: 'down' | 'up';
}

/** One entry a message, from the public message definitions. */
export const STREAM_MESSAGES: Readonly<Record<StreamId, StreamMessage>> = {
  heartbeat: { name: 'HEARTBEAT', fields: 'u32 u8x5', goes: 'down' },
  'sys-status': { name: 'SYS_STATUS', fields: 'u32x3 u16x2 i16 u16x6 i8', goes: 'down' },
  'system-time': { name: 'SYSTEM_TIME', fields: 'u64 u32', goes: 'down' },
  'gps-raw-int': { name: 'GPS_RAW_INT', fields: 'u64 i32x3 u16x4 u8x2 i32 u32x4 u16', goes: 'down' },
  'raw-imu': { name: 'RAW_IMU', fields: 'u64 i16x9 u8 i16', goes: 'down' },
  'scaled-pressure': { name: 'SCALED_PRESSURE', fields: 'u32 f32x2 i16x2', goes: 'down' },
  attitude: { name: 'ATTITUDE', fields: 'u32 f32x6', goes: 'down' },
  'attitude-quaternion': { name: 'ATTITUDE_QUATERNION', fields: 'u32 f32x7 f32x4', goes: 'down' },
  'global-position-int': { name: 'GLOBAL_POSITION_INT', fields: 'u32 i32x4 i16x3 u16', goes: 'down' },
  'local-position-ned': { name: 'LOCAL_POSITION_NED', fields: 'u32 f32x6', goes: 'down' },
  'rc-channels': { name: 'RC_CHANNELS', fields: 'u32 u16x18 u8x2', goes: 'down' },
  'servo-output-raw': { name: 'SERVO_OUTPUT_RAW', fields: 'u32 u16x8 u8 u16x8', goes: 'down' },
  'mission-current': { name: 'MISSION_CURRENT', fields: 'u16', goes: 'down' },
  'nav-controller-output': { name: 'NAV_CONTROLLER_OUTPUT', fields: 'f32x5 i16x2 u16', goes: 'down' },
  'vfr-hud': { name: 'VFR_HUD', fields: 'f32x4 i16 u16', goes: 'down' },
  'battery-status': { name: 'BATTERY_STATUS', fields: 'i32x2 i16 u16x10 i16 u8x3 i8 i32 u8 u16x4 u8 u32', goes: 'down' },
  'power-status': { name: 'POWER_STATUS', fields: 'u16x3', goes: 'down' },
  vibration: { name: 'VIBRATION', fields: 'u64 f32x3 u32x3', goes: 'down' },
  'estimator-status': { name: 'ESTIMATOR_STATUS', fields: 'u64 f32x8 u16', goes: 'down' },
  'radio-status': { name: 'RADIO_STATUS', fields: 'u16x2 u8x5', goes: 'down' },
  'highres-imu': { name: 'HIGHRES_IMU', fields: 'u64 f32x13 u16 u8', goes: 'down' },
  'distance-sensor': { name: 'DISTANCE_SENSOR', fields: 'u32 u16x3 u8x4 f32x2 f32x4 u8', goes: 'down' },
  'command-long': { name: 'COMMAND_LONG', fields: 'f32x7 u16 u8x3', goes: 'up' },
  'rc-channels-override': { name: 'RC_CHANNELS_OVERRIDE', fields: 'u16x8 u8x2 u16x10', goes: 'up' },
  'manual-control': { name: 'MANUAL_CONTROL', fields: 'i16x4 u16 u8', goes: 'up' },
  'gps-rtcm-data': { name: 'GPS_RTCM_DATA', fields: 'u8x2 u8x180', goes: 'up' },
  'set-attitude-target': { name: 'SET_ATTITUDE_TARGET', fields: 'u32 f32x4 f32x4 u8x3 f32x3', goes: 'up' },
  'set-position-target': { name: 'SET_POSITION_TARGET_LOCAL_NED', fields: 'u32 f32x11 u16 u8x3', goes: 'up' },
};

/** Bytes around a payload of MAVLink 2: ten before it and a checksum of two. */
const AROUND_BYTES = 12;
const SIGNATURE_BYTES = 13;

/** The bytes of a payload, in full: trailing zeros, which are cut, are not counted on. */
export function payloadBytes({ fields }: Pick<StreamMessage, 'fields'>): number {
  return fields.split(' ').reduce((sum, field) => {
    const [, bits = '', times = '1'] = /^[uif](8|16|32|64)(?:x(\d+))?$/.exec(field) ?? [];
    return sum + (Number(bits) / 8) * Number(times);
  }, 0);
}

/** The bytes of a message on its way. */
export function messageBytes(message: Pick<StreamMessage, 'fields'>, isSigned: boolean): number {
  return AROUND_BYTES + payloadBytes(message) + (isSigned ? SIGNATURE_BYTES : 0);
}

/** What a parameter takes when all are read: a PARAM_VALUE each. */
export const PARAMETER_MESSAGE: Pick<StreamMessage, 'fields'> = { fields: 'f32 u16x2 u8x16 u8' };
