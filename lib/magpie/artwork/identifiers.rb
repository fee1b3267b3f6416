module Magpie
  class Artwork
    # Identifiers of a drawing. Several artworks stand in one page, so theirs must not
    # meet: in a template each one begins with MARK, which rendering replaces with a
    # prefix. Those that would have to be escaped somewhere get a name that never has.
    module Identifiers
      MARK = "\uE001" # private use; no text that comes in holds it, see Safety
      PLAIN = /\A[A-Za-z_][\w.:-]{0,80}\z/
      MADE = /\Aid-\h{16}\z/

      module_function

      # The same for the same text, wherever it stands.
      # @return [String, nil] nil where there is none
      def safe(text)
        return text if text.match?(PLAIN)
        text.empty? ? nil : "id-#{Digest::SHA256.hexdigest(text)[0, 16]}"
      end

      # Was it given by the file as it is?
      def given?(id) = id.match?(PLAIN) && !id.match?(MADE)

      # The identifiers that something of the drawing points at.
      # @return [Hash{String => true}]
      def used(root)
        root.xpath("//@*").each_with_object({}) do |attribute, found|
          found[attribute.value[1..]] = true if attribute.name == "href" && attribute.value.start_with?("#")
          attribute.value.scan(/url\(#([^)]*)\)/) { |(id)| found[id] = true } if attribute.value.include?("url(")
        end
      end

      def mark(root)
        root.xpath("//*").each do |node|
          node.attribute_nodes.each do |attribute|
            name, value = attribute.name, attribute.value
            if name == "id"
              attribute.value = MARK + value
            elsif name == "href" && value.start_with?("#")
              attribute.value = "##{MARK}#{value[1..]}"
            elsif value.include?("url(#")
              attribute.value = value.gsub("url(#", "url(##{MARK}")
            end
          end
        end
      end
    end
  end
end
