module Places
  module Deliver
    # What Deliver's routes ask for.
    module Helpers
      def download(name, type, body)
        content_type type
        attachment name
        body
      end

      def import = @import ||= project.imports.find(param.id(:import))

      def into = palettes.find { |each| each.id == param.id(:into) }
    end
  end
end
