module Magpie
  class CommandLine
    # Files of palettes: looked at, checked, turned into others.
    module Files
      # @param result [Formats::Result]
      # @return [Hash] for printing
      def self.described(result)
        groups = result.palette.groups.map { |group| {name: group.name, swatches: group.swatches.map { |swatch| swatch(swatch) }} }
        {name: result.palette.name, format: result.format, groups:, notes: result.notes.map(&:to_s)}
      end

      def self.swatch(swatch)
        {name: swatch.name, code: swatch.code, hex: swatch.colour.hex, lab: swatch.colour.in(:lab).map { |value| value.round(4) }, alpha: swatch.colour.alpha, kind: kind(swatch)}
      end

      def self.kind(swatch) = if swatch.compound
                                swatch.compound.gradient? ? "gradient" : "pattern"
                              else
                                swatch.kind || "process"
                              end

      # @param path [String] of the file to be written
      # @param key [String, nil] of a format, where it is named
      # @return [Class]
      # @raise [Magpie::Error]
      def self.format(path, key)
        found = key ? Formats.find(key) : Formats.by_ending(path)
        return found if found&.writes?
        raise Error, "--as is #{key}: expected #{Text.list(Formats.written.map(&:key)).sub(" and ", " or ")}" if key
        raise Error, "#{path.scrub} ends like no file that I write: expected #{Formats.written.flat_map(&:endings).uniq.join(", ")}; or name a format with --as"
      end

      # @return [Formats::Sending]
      def self.sending(result, format, path, options) = Formats::Sending.new(result.palette, format, format.options_of(path).merge(options), strict: true)

      # @return [Hash] for printing
      def self.converted(result, sending)
        {format: sending.format.key, swatches: sending.palette.swatches.size, lost: sending.losses.map(&:words), notes: result.notes.map(&:to_s)}
      end

      # @return [Array<Hash>] for printing
      def self.formats = Formats.all.map { |format| {format: format.key, title: format.title, endings: format.endings, read: format.reads?, written: format.writes?, carries: (format.carries if format.writes?), options: options(format)}.compact }

      def self.options(format) = if format.writes?
                                   format.options.to_h { |option| [option.key, option.values.is_a?(Hash) ? option.values.keys : option.values.to_s] }
                                 end
    end
  end
end
