/** Four bytes as floats. */
// @ts-ignore: decorator
@inline
export function samples(at: usize): v128 {
  return f32x4.convert_i32x4_s(i32x4.extend_low_i16x8_u(i16x8.extend_low_i8x16_u(v128.load32_zero(at))));
}
