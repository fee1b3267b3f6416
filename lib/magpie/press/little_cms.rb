require "ffi"

module Magpie
  module Press
    # liblcms2, which libvips is built on. Source of the constants: lcms2.h.
    module LittleCms
      extend FFI::Library

      ffi_lib ["lcms2", "liblcms2.so.2"]
      attach_function :cmsOpenProfileFromMem, [:pointer, :uint32], :pointer
      attach_function :cmsCloseProfile, [:pointer], :int
      attach_function :cmsCreateLab4Profile, [:pointer], :pointer
      attach_function :cmsIsIntentSupported, %i[pointer uint32 uint32], :int
      attach_function :cmsGetProfileInfo, %i[pointer int pointer pointer pointer uint32], :uint32
      attach_function :cmsDetectTAC, [:pointer], :double
      attach_function :cmsCreateTransform, %i[pointer uint32 pointer uint32 uint32 uint32], :pointer
      attach_function :cmsDoTransform, %i[pointer pointer pointer uint32], :void

      # Floating point, the colour space's number, the number of channels, doubles.
      LAB = 1 << 22 | 10 << 16 | 3 << 3
      CMYK = 1 << 22 | 6 << 16 | 4 << 3
      INTENTS = {perceptual: 0, relative: 1, saturation: 2, absolute: 3}.freeze
      INPUT, OUTPUT = 0, 1 # directions of an intent
      DESCRIPTION = 0 # of what there is to know of a profile
      # No cache (threads share the transforms), no tables in place of the profile's own.
      FLAGS = 0x0040 | 0x0100
      BLACK_POINT = 0x2000

      # A profile, open for as long as the block takes.
      # @param bytes [String]
      # @yieldparam profile [FFI::Pointer] null where it is none
      def self.open(bytes)
        profile = cmsOpenProfileFromMem(FFI::MemoryPointer.from_string(bytes), bytes.bytesize)
        yield profile
      ensure
        cmsCloseProfile(profile) unless profile.nil? || profile.null?
      end
    end
  end
end
