require "cgi/escape"

module Magpie
  module Formats
    class Cxf < Format
      # Writes one palette.
      class Writer
        # @param palette [Palette]
        def initialize(palette)
          @palette = palette
          @ids = palette.addressed.each_with_index.to_h { |(address, _), index| [address, "c#{index + 1}"] }
          @ranges = palette.swatches.filter_map(&:spectrum).map { |spectrum| [spectrum.start, spectrum.step] }.uniq
        end

        # @return [String]
        def text
          <<~XML
            <?xml version="1.0" encoding="UTF-8"?>
            <cc:CxF xmlns:cc="#{NAMESPACE}">
            <cc:FileInformation>
            <cc:Creator>Yellow Magpie</cc:Creator>
            <cc:Description>#{escaped(@palette.name.to_s)}</cc:Description>
            #{tags("Condition" => @palette.condition, "Licence" => @palette.licence).join("\n")}
            </cc:FileInformation>
            <cc:Resources>
            <cc:ObjectCollection>
            #{@palette.groups.each_with_index.map { |group, g| group.swatches.each_with_index.map { |swatch, s| object(group, swatch, [g, s]) } }.join("\n")}
            </cc:ObjectCollection>
            <cc:ColorSpecificationCollection>
            #{[specification("lab", nil), *@ranges.each_with_index.map { |range, index| specification("s#{index}", range) }].join("\n")}
            </cc:ColorSpecificationCollection>
            </cc:Resources>
            </cc:CxF>
          XML
        end

        private

        def object(group, swatch, address)
          %(<cc:Object ObjectType="Standard" Name="#{escaped(swatch.name)}" Id="#{@ids[address]}">#{comment(swatch.note)}<cc:ColorValues>#{spectrum(swatch.spectrum)}#{lab(swatch.colour)}</cc:ColorValues>#{device(swatch.inks)}#{collection(group, swatch)}</cc:Object>)
        end

        def comment(note) = note ? "<cc:Comment>#{escaped(note)}</cc:Comment>" : ""

        def lab(colour)
          l, a, b = Rounded.lab(colour).map { |value| Numbers.write(value, 4) }
          %(<cc:ColorCIELab ColorSpecification="lab"><cc:L>#{l}</cc:L><cc:A>#{a}</cc:A><cc:B>#{b}</cc:B></cc:ColorCIELab>)
        end

        def spectrum(spectrum)
          return unless spectrum
          %(<cc:ReflectanceSpectrum ColorSpecification="s#{@ranges.index([spectrum.start, spectrum.step])}" StartWL="#{spectrum.start}">#{spectrum.values.join(" ")}</cc:ReflectanceSpectrum>)
        end

        def device(inks)
          return unless inks
          "<cc:DeviceColorValues><cc:ColorCMYK>#{Objects::MODELS.fetch("ColorCMYK").zip(inks).map { |name, ink| "<cc:#{name}>#{Numbers.write(ink, 3)}</cc:#{name}>" }.join}</cc:ColorCMYK></cc:DeviceColorValues>"
        end

        def collection(group, swatch)
          tint = swatch.tint
          found = tags("Group" => group.name, "Code" => swatch.code, "Library" => swatch.library, "Kind" => swatch.kind, "Page" => swatch.page, "Position" => swatch.position, "Shared" => (true if swatch.shared),
            "Tint" => tint&.percent, "TintOf" => tint && @ids.fetch(tint.of))
          "<cc:TagCollection>#{found.join}</cc:TagCollection>"
        end

        def tags(values) = values.compact.map { |name, value| %(<cc:Tag Name="#{name}" Value="#{escaped(value.to_s)}"/>) }

        def specification(id, range)
          measured = %(<cc:MeasurementSpec><cc:MeasurementType>Colorimetric_Reflectance</cc:MeasurementType></cc:MeasurementSpec>)
          measured = %(<cc:MeasurementSpec><cc:MeasurementType>Spectrum_Reflectance</cc:MeasurementType><cc:WavelengthRange StartWL="#{range[0]}" Increment="#{range[1]}"/></cc:MeasurementSpec>) if range
          %(<cc:ColorSpecification Id="#{id}"><cc:TristimulusSpec><cc:Illuminant>D50</cc:Illuminant><cc:Observer>2_Degree</cc:Observer></cc:TristimulusSpec>#{measured}</cc:ColorSpecification>)
        end

        def escaped(text) = CGI.escapeHTML(Text.xml(text))
      end
    end
  end
end
