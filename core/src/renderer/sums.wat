;; Weighted sums of a picture's layers, twelve figures (four pixels) at a time, as whole numbers from 0 to 65 535.
;; Made into sumsModule.ts by `npm run wasm`.
(module
  (import "picture" "memory" (memory 1))
  ;; out: where the whole numbers begin; off, end: bytes of the layers to sum; table: where the layers begin;
  ;; layers: how many; weights: twelve for each
  (func (export "sum")
    (param $out i32) (param $off i32) (param $end i32) (param $table i32) (param $layers i32) (param $weights i32)
    (local $a v128) (local $b v128) (local $c v128)
    (local $k i32) (local $last i32) (local $p i32) (local $w i32) (local $o i32)
    (local.set $o (i32.add (local.get $out) (i32.shr_u (local.get $off) (i32.const 1))))
    (local.set $last (i32.add (local.get $table) (i32.shl (local.get $layers) (i32.const 2))))
    (loop $blocks
      (local.set $a (v128.const i32x4 0 0 0 0))
      (local.set $b (v128.const i32x4 0 0 0 0))
      (local.set $c (v128.const i32x4 0 0 0 0))
      (local.set $k (local.get $table))
      (local.set $w (local.get $weights))
      (loop $each
        (local.set $p (i32.add (i32.load (local.get $k)) (local.get $off)))
        (local.set $a (f32x4.add (local.get $a)
          (f32x4.mul (v128.load (local.get $w)) (v128.load (local.get $p)))))
        (local.set $b (f32x4.add (local.get $b)
          (f32x4.mul (v128.load offset=16 (local.get $w)) (v128.load offset=16 (local.get $p)))))
        (local.set $c (f32x4.add (local.get $c)
          (f32x4.mul (v128.load offset=32 (local.get $w)) (v128.load offset=32 (local.get $p)))))
        (local.set $k (i32.add (local.get $k) (i32.const 4)))
        (local.set $w (i32.add (local.get $w) (i32.const 48)))
        (br_if $each (i32.lt_u (local.get $k) (local.get $last))))
      (v128.store (local.get $o) (i16x8.narrow_i32x4_u
        (i32x4.trunc_sat_f32x4_s (local.get $a)) (i32x4.trunc_sat_f32x4_s (local.get $b))))
      (v128.store64_lane offset=16 0 (local.get $o) (i16x8.narrow_i32x4_u
        (i32x4.trunc_sat_f32x4_s (local.get $c)) (i32x4.trunc_sat_f32x4_s (local.get $c))))
      (local.set $off (i32.add (local.get $off) (i32.const 48)))
      (local.set $o (i32.add (local.get $o) (i32.const 24)))
      (br_if $blocks (i32.lt_u (local.get $off) (local.get $end))))))
