module Frame
  # Files that come in.
  module Uploads
    # Media types of pictures, drawings among them.
    def accepted_pictures = Magpie::Picture::File::FORMATS.map(&:media_type).join(",")

    # Uploaded files as [[name, bytes]].
    def uploads(field) = param.files(field).map { |name, file| [name, file.read.b] }

    # Brings uploaded files in one by one, so that a bad one does not keep the others out.
    # @param change [Class] takes name: and bytes:
    # @param there [Proc] from the digest of a file to what came from the same file before, which
    #   is offered in its place
    # @return [[records], [messages], [records]] what came, what was wrong, what was there
    def bring_in(change, there: ->(_) {}, **given)
      files = uploads(:files)
      raise Magpie::Error, "No file came in. Choose one or more" if files.empty?
      came, failed, before = [], [], []
      files.each do |name, bytes|
        found = there.call(Blob.sha256(bytes))
        found ? before << found : came << change.perform(project, actor:, name:, bytes:, **given)
      rescue Magpie::Error => error
        failed << error.message
      end
      [came, failed, before]
    end

    # @param before [Array<#name>]
    def what_was_there(before) = before.map { |each| "#{each.name} is here already, from the same file. This is it" }

    # What became of them, in words, and on to the last; back where nothing came in.
    def tell_what_came(sentences, failed, path)
      tell [*failed, *sentences.to_a].join(". "), failed.any? ? :wrong : :done
      path ? redirect(to(path), 303) : go_back
    end
  end
end
