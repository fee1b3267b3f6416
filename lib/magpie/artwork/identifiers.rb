module Magpie
  class Artwork
    # Several artworks stand in one page, so their identifiers must not meet. In a
    # template each one begins with MARK, which rendering replaces with a prefix.
    module Identifiers
      MARK = "\uE001" # private use; removed from what comes in

      module_function

      def mark(root)
        root.xpath("//*").each do |node|
          node.attribute_nodes.each do |attribute|
            if attribute.name == "id"
              attribute.value = MARK + attribute.value
            elsif attribute.name == "href" && attribute.value.start_with?("#")
              attribute.value = "##{MARK}#{attribute.value[1..]}"
            elsif attribute.value.include?("url(")
              attribute.value = attribute.value.gsub(/url\(\s*["']?#([^)"']*)["']?\s*\)/) { "url(##{MARK}#{$1.strip})" }
            end
          end
        end
      end
    end
  end
end
