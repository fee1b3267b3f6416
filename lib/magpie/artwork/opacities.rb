module Magpie
  class Artwork
    # How opaque each part is as a whole, with the groups that it stands in: what comes
    # on top of the opacity of its paint.
    module Opacities
      module_function

      # @param template [String]
      # @return [Hash{String => Float}] by key, 0..1
      def of(template)
        Nokogiri::XML(template).remove_namespaces!.xpath("//*[@data-part]").to_h do |node|
          [node["data-part"], [node, *node.ancestors.select(&:element?)].map { |each| each["opacity"] ? Parts.opacity(each["opacity"]) : 1.0 }.reduce(:*)]
        end
      end
    end
  end
end
