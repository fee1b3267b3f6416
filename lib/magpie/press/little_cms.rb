require "ffi"

module Magpie
  module Press
    # liblcms2, which libvips is built on. Source of the constants: lcms2.h.
    module LittleCms
      extend FFI::Library

      ffi_lib ["lcms2", "liblcms2.so.2"]
      attach_function :cmsOpenProfileFromMem, [:pointer, :uint32], :pointer
      attach_function :cmsCreateLab4Profile, [:pointer], :pointer
      attach_function :cmsCreateTransform, %i[pointer uint32 pointer uint32 uint32 uint32], :pointer
      attach_function :cmsDoTransform, %i[pointer pointer pointer uint32], :void

      # Floating point, the colour space's number, the number of channels, doubles.
      LAB = 1 << 22 | 10 << 16 | 3 << 3
      CMYK = 1 << 22 | 6 << 16 | 4 << 3
      RELATIVE = 1
      # No cache (threads share the transforms), no tables in place of the profile's
      # own, black point compensation.
      FLAGS = 0x0040 | 0x0100 | 0x2000
    end
  end
end
