module Magpie
  class Artwork
    # A template of an earlier version as this one makes them: marks that no file can hold,
    # identifiers that need no escape, styles written anew.
    module Renewed
      module_function

      # @param template [String]
      # @return [String]
      def of(template)
        Document.write(with_marks(template) { |root| clean(root) })
      rescue Error
        # What cannot be drawn any more stays as it was: wherever it is shown, it is contained.
        Document.write(with_marks(template) {})
      end

      def clean(root)
        dropped, budget = Document::Dropped.new, Limits.drawing
        Safety.new(root, dropped, budget).clean
        Cascade.new(root, dropped, budget).apply
        Safety.forget(root)
        Identifiers.mark(root)
      end

      def with_marks(template)
        document = Nokogiri::XML(template)
        document.xpath("//*[@xml:space]").each { |node| node["data-space"] = "preserve" }
        root = document.remove_namespaces!.root
        keys = root.xpath("//*[@#{Parts::MARK}]").to_h { |node| [node, node[Parts::MARK].delete(Identifiers::MARK)] }
        yield root
        keys.each { |node, key| node[Parts::MARK] = Identifiers::MARK + key }
        root.xpath("//@space").each(&:unlink)
        root
      end
    end
  end
end
